import { expect, it } from "vitest";
import { render } from "vitest-browser-react";
import { ClockProvider, useNow } from "./clock";
import { PrefsProvider, readPrefs, usePrefs } from "./prefs";

const drawn = { clock: 0, prefs: 0 };
function Clock() {
	drawn.clock++;
	return <output>{useNow()}</output>;
}
function OfPrefs() {
	drawn.prefs++;
	return <p>{usePrefs().timeZone}</p>;
}

it("the clock redraws who asks for it, and nothing else", async () => {
	const screen = await render(
		<PrefsProvider initial={readPrefs(undefined)} timeZone="America/Denver" now={new Date().toISOString()}>
			<Clock />
			<OfPrefs />
		</PrefsProvider>,
	);
	const [clocks, prefs] = [drawn.clock, drawn.prefs];
	const before = screen.getByRole("status").element().textContent;
	await expect.poll(() => screen.getByRole("status").element().textContent).not.toBe(before);
	expect(drawn.clock).toBeGreaterThan(clocks);
	expect(drawn.prefs).toBe(prefs);
});

it("goes by the studio's clock where the browser's is far off", async () => {
	const screen = await render(
		<ClockProvider now={new Date(Date.now() - 3_600_000).toISOString()}>
			<Clock />
		</ClockProvider>,
	);
	const behindMs = () => Date.now() - Number(screen.getByRole("status").element().textContent);
	await expect.poll(behindMs).toBeGreaterThan(3_590_000);
});
