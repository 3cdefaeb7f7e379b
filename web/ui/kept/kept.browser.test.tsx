import { scheduleDocument } from "@contract/documents/schedule";
import { newSchedule } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { QueryClientProvider } from "@tanstack/react-query";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { userEvent } from "vitest/browser";
import { render } from "vitest-browser-react";
import { newQueryClient } from "../../lib/api";
import { createDraft, useDocument, useSteps } from "./draft";
import { History } from "./history";
import { SaveBar } from "./save-bar";
import { useKept } from "./use-kept";

const start = newSchedule("Roof", FAMILY_90, undefined);
let sent: { revision: number; document: { name: string } }[];
/** Lets the answer come, and says what it is. */
let answer: (status?: number) => void;
beforeEach(() => {
	sent = [];
	vi.stubGlobal(
		"fetch",
		(_: string, init?: RequestInit) =>
			new Promise((done) => {
				const asked = JSON.parse(String(init?.body));
				sent.push(asked);
				answer = (status = 200) =>
					done(
						new Response(
							JSON.stringify(
								status === 200
									? { scheduleId: "s", revision: asked.revision + 1 }
									: { problems: [{ path: [], sentence: ["Somebody saved it meanwhile."] }] },
							),
							{ status },
						),
					);
			}),
	);
});
afterEach(() => vi.unstubAllGlobals());

function Bench() {
	const [store] = useState(() => createDraft(start, () => ({})));
	const document = useDocument(store);
	const kept = useKept({
		store,
		action: "saveSchedule",
		input: (saved, revision) => ({ scheduleId: "s", revision, document: saved }),
		kept: { revision: 3, document: start },
		schema: scheduleDocument,
		mayKeep: true,
	});
	return (
		<>
			<input
				aria-label="Name"
				value={document.name}
				onChange={(event) => store.getState().edit((now) => ({ ...now, name: event.target.value }))}
			/>
			<History {...useSteps(store)} />
			<SaveBar kept={kept} words={{ keep: "Keep", kept: "Kept" }} obstacle={kept.issues[0]?.message} />
		</>
	);
}
const bench = () =>
	render(
		<QueryClientProvider client={newQueryClient()}>
			<Bench />
		</QueryClientProvider>,
	);

describe("a kept document", () => {
	it("what is changed while it is on its way stays to be kept, on the revision that came back", async () => {
		const screen = await bench();
		await expect.element(screen.getByRole("button", { name: "Kept" })).toBeDisabled();
		await screen.getByLabelText("Name").fill("Roof 2");
		await screen.getByRole("button", { name: "Keep", exact: true }).click();
		await expect.poll(() => sent.length).toBe(1);
		await screen.getByLabelText("Name").fill("Roof 3");
		await userEvent.keyboard("{Control>}s{/Control}"); // one at a time: this would be on the old revision
		expect(sent).toHaveLength(1);
		answer();
		await expect.element(screen.getByRole("button", { name: "Keep", exact: true })).toBeEnabled();
		await userEvent.keyboard("{Control>}s{/Control}");
		await expect.poll(() => sent.length).toBe(2);
		answer();
		await expect.element(screen.getByRole("button", { name: "Kept" })).toBeDisabled();
		expect(sent.map(({ revision, document }) => [revision, document.name])).toEqual([
			[3, "Roof 2"],
			[4, "Roof 3"],
		]);
	});

	it("is kept again once undone to what was kept, and says what stands against it only after a try", async () => {
		const screen = await bench();
		await screen.getByLabelText("Name").fill("");
		await expect.element(screen.getByRole("alert")).not.toBeInTheDocument();
		await screen.getByRole("button", { name: "Keep", exact: true }).click();
		await expect.element(screen.getByRole("alert")).toHaveTextContent("The schedule’s name");
		expect(sent).toEqual([]);
		await screen.getByRole("button", { name: "Undo, 1 steps" }).click();
		await expect.element(screen.getByRole("button", { name: "Kept" })).toBeDisabled();
		await screen.getByRole("button", { name: "Redo, 1 steps" }).click();
		await expect.element(screen.getByLabelText("Name")).toHaveValue("");
	});

	it("tells that somebody saved it meanwhile, and loses nothing", async () => {
		const screen = await bench();
		await screen.getByLabelText("Name").fill("Mine");
		await screen.getByRole("button", { name: "Keep", exact: true }).click();
		await expect.poll(() => sent.length).toBe(1);
		answer(409);
		await expect.element(screen.getByRole("alert")).toHaveTextContent("Somebody saved it meanwhile.");
		await expect.element(screen.getByLabelText("Name")).toHaveValue("Mine");
		await expect.element(screen.getByRole("button", { name: "Keep", exact: true })).toBeEnabled();
	});
});
