import { Caution } from "../../../forms/notice";
import type { Halt } from "../use-survey";

const WORDS: Record<Halt, string> = {
	intricate:
		"The edges of these parts cross too often for it to be read, here and when it is saved. Make it of fewer or simpler parts, or leave out what is covered.",
	late: "Reading this took too long and was stopped. Make it of fewer or simpler parts, or leave out what is covered.",
	stopped: "Reading this was stopped. Change something, or read it again.",
};

/** Stands where a kit's figures would: none are shown that are not its own. */
export function Halted({ why, again }: { why: Halt; again(): void }) {
	return (
		<div className="flex flex-col items-start gap-3">
			<h2>Not read</h2>
			<Caution>{WORDS[why]}</Caution>
			{why !== "intricate" && (
				<button type="button" className="btn" onClick={again}>
					Read it again
				</button>
			)}
		</div>
	);
}

/** While a reading takes long: that it goes on, and how to stop it. */
export function SlowReading({ stop }: { stop(): void }) {
	return (
		<p role="status" className="flex items-center justify-between gap-3 bg-pick px-4 py-1.5">
			Reading the stack …
			<button type="button" className="btn btn-sm max-lg:h-11" onClick={stop}>
				Stop
			</button>
		</p>
	);
}
