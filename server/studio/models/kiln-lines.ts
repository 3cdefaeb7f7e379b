import type { KilnCell } from "@contract/kilns";
import type { TodayLine } from "@contract/studio";
import { LEVEL_WORDS } from "@core/firing/level";
import { counted } from "@core/units/counted";
import { phraseText, type Units } from "@core/units/phrase";
import { line } from "./today-line";

/** What is to be done at kilns, and what only time does. */
export function kilnLines(kilns: readonly KilnCell[], units: Units): { doNow: TodayLine[]; waiting: TodayLine[] } {
	const each = kilns.flatMap((cell) => {
		const made = lineOf(cell, units);
		return made ? [{ ...made, waits: cell.state === "running" || cell.state === "cooling" }] : [];
	});
	const lines = (waiting: boolean) => each.filter(({ waits }) => waits === waiting).map(({ waits: _, ...one }) => one);
	return { doNow: lines(false), waiting: lines(true) };
}

function lineOf({ state, name, phase, firing }: KilnCell, units: Units): TodayLine | undefined {
	if (!firing) return undefined;
	const { id, number, pieces, level, startsAt, openAt } = firing;
	const load = `firing ${number}: ${counted(pieces, "piece")}, ${LEVEL_WORDS[level]}`;
	switch (state) {
		case "canOpen":
			return line(`open-${id}`, `Open ${name}`, load, "/open", "Open and judge");
		case "toRead":
			return line(`open-${id}`, `Read how hot ${name} is`, `${load}; its time has come`, "/open", "Read and open");
		case "planned":
			return line(`start-${id}`, `Start ${name}`, load, "/fire", "Go to the kiln", { at: startsAt });
		case "running":
		case "cooling":
			return line(`fire-${id}`, `${name}, ${phraseText(phase, units)}`, load, "/fire", "Look", {
				at: openAt,
				urgency: "calm",
			});
		case "empty":
			return undefined;
	}
}
