import { useState } from "react";
import { expect, it } from "vitest";
import { userEvent } from "vitest/browser";
import { render } from "vitest-browser-react";
import { Tabs } from "./tabs";

const TABS = (["tells", "route", "files"] as const).map((value) => ({ value, label: value as string }));
function Three() {
	const [open, onOpen] = useState<(typeof TABS)[number]["value"]>("tells");
	return <Tabs label="About" tabs={TABS} open={open} onOpen={(tab) => onOpen(tab)} />;
}

it("one tab takes the focus; arrows, Home and End go from one to the next, round the ends", async () => {
	const screen = await render(<Three />);
	const selected = () => screen.container.querySelector("[aria-selected=true]")?.textContent;
	await userEvent.tab();
	expect(document.activeElement?.textContent).toBe("tells");
	for (const [key, tab] of [
		["ArrowRight", "route"],
		["End", "files"],
		["ArrowRight", "tells"],
		["ArrowLeft", "files"],
		["Home", "tells"],
	] as const) {
		await userEvent.keyboard(`{${key}}`);
		await expect.poll(selected).toBe(tab);
		expect(document.activeElement?.textContent).toBe(tab);
	}
	await userEvent.tab();
	expect(document.activeElement?.getAttribute("role")).not.toBe("tab");
});
