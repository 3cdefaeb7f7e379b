import { QueryClientProvider } from "@tanstack/react-query";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { render } from "vitest-browser-react";
import { newQueryClient } from "../lib/api";
import { PrefsProvider, readPrefs } from "../lib/prefs";
import { NumberField, TextField } from "./fields";
import { Problems } from "./notice";
import { useActForm } from "./use-act-form";

/** What the server answers next, and what it was sent. */
let answer: { status: number; body: unknown };
let sent: unknown[];
/** Holds the answer back until it is let go. */
let held: Promise<void>;
let letGo: () => void;
beforeEach(() => {
	answer = { status: 200, body: { revision: 8 } };
	sent = [];
	held = Promise.resolve();
	letGo = () => {};
	vi.stubGlobal("fetch", async (_: string, init?: RequestInit) => {
		sent.push(JSON.parse(String(init?.body)));
		await held;
		return new Response(JSON.stringify(answer.body), { status: answer.status });
	});
});
afterEach(() => vi.unstubAllGlobals());

const family = {
	id: "90",
	label: "compatible 90",
	expansionE7PerK: 90,
	annealingC: 516,
	softeningC: 677,
	workingC: 900,
	tested: true,
	soakSchool: null,
};
function Family() {
	const form = useActForm("saveFamily", {
		start: { family, revision: 7 },
		schema: async () => (await import("@contract/glass")).actions.saveFamily,
	});
	return (
		<form onSubmit={form.submit} noValidate>
			<TextField label="Name" {...form.field("family.label")} />
			<NumberField kind="count" label="Expansion" {...form.number("family.expansionE7PerK")} />
			<Problems problems={form.others()} />
			<button type="submit">{form.isKept ? "Saved" : "Save"}</button>
		</form>
	);
}
const drawn = () =>
	render(
		<QueryClientProvider client={newQueryClient()}>
			<PrefsProvider initial={readPrefs(undefined)} timeZone="UTC" now={new Date().toISOString()}>
				<Family />
			</PrefsProvider>
		</QueryClientProvider>,
	);

describe("a form that makes the studio do something", () => {
	it("is checked by the action's own schema before it is sent; the sentence stands at its field and goes when mended", async () => {
		const screen = await drawn();
		await screen.getByLabelText("Name").fill("");
		await screen.getByLabelText("Expansion").fill("not a number");
		await screen.getByRole("button").click();
		await expect.element(screen.getByLabelText("Name")).toHaveAttribute("aria-invalid", "true");
		await expect.element(screen.getByText("“not a number” is not a number.")).toBeVisible();
		expect(sent).toEqual([]);
		await screen.getByLabelText("Name").fill("ninety");
		await expect.element(screen.getByLabelText("Name")).toHaveAttribute("aria-invalid", "false");
		await screen.getByLabelText("Expansion").fill("91");
		await screen.getByRole("button").click();
		await expect.element(screen.getByRole("button", { name: "Saved" })).toBeVisible();
		expect(sent).toEqual([{ family: { ...family, label: "ninety", expansionE7PerK: 91 }, revision: 7 }]);
	});

	it("goes on from the revision that was kept, and is to be kept again once something is typed", async () => {
		const screen = await drawn();
		await screen.getByRole("button").click();
		await expect.element(screen.getByRole("button", { name: "Saved" })).toBeVisible();
		await screen.getByLabelText("Name").fill("ninety");
		await screen.getByRole("button", { name: "Save", exact: true }).click();
		await expect.element(screen.getByRole("button", { name: "Saved" })).toBeVisible();
		expect(sent).toMatchObject([{ revision: 7 }, { revision: 8 }]);
	});

	it("loses nothing that is typed while it is on its way: that is still to be kept, on the new revision", async () => {
		held = new Promise((done) => {
			letGo = done;
		});
		const screen = await drawn();
		await screen.getByLabelText("Name").fill("ninety");
		await screen.getByRole("button").click();
		await expect.poll(() => sent.length).toBe(1);
		await screen.getByLabelText("Name").fill("ninety, ours");
		letGo();
		await expect.element(screen.getByRole("button", { name: "Save", exact: true })).toBeEnabled();
		await expect.element(screen.getByLabelText("Name")).toHaveValue("ninety, ours");
		await screen.getByRole("button").click();
		await expect.element(screen.getByRole("button", { name: "Saved" })).toBeVisible();
		expect(sent).toMatchObject([
			{ family: { label: "ninety" }, revision: 7 },
			{ family: { label: "ninety, ours" }, revision: 8 },
		]);
	});

	it("shows what the server refuses at the field of that whole path, and the rest below", async () => {
		answer = {
			status: 409,
			body: {
				problems: [
					{ path: ["family", "label"], sentence: ["There is one of that name."] },
					{ path: ["other", "label"], sentence: ["Something else."] },
					{ path: [], sentence: ["Somebody saved it meanwhile."] },
				],
			},
		};
		const screen = await drawn();
		await screen.getByRole("button").click();
		await expect.element(screen.getByText("There is one of that name.")).toBeVisible();
		await expect.element(screen.getByLabelText("Name")).toHaveAccessibleDescription("There is one of that name.");
		await expect.element(screen.getByRole("alert")).toHaveTextContent("Something else.Somebody saved it meanwhile.");
		await expect.element(screen.getByLabelText("Name")).toHaveValue("compatible 90");
	});
});
