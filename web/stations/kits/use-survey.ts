import { kitPart } from "@contract/documents/kit-design";
import type { FuseLevel } from "@core/firing/level";
import type { KitDesign } from "@core/kit/kit";
import type { Cut, Section } from "@core/stack/section";
import type { KitSurvey, Trial } from "@core/stack/survey";
import { useCallback, useEffect, useRef, useState } from "react";
import { useNewest } from "../../lib/use-newest";
import { useWorker } from "../../lib/use-worker";
import type { Books, Surveyor } from "../../workers/survey.worker";

/** Why a kit is not read: its edges cross too often, it took too long, or somebody stopped it. */
export type Halt = "intricate" | "late" | "stopped";

/** A reading is ended after this, ms, as on the server; after the first it may be stopped by hand. */
const LIMIT_MS = 10_000;
const SLOW_MS = 1500;

const thread = () => new Worker(new URL("../../workers/survey.worker.ts", import.meta.url), { type: "module" });

/** The survey of a kit while it is changed, its section and its trials, all asked in one worker; the newest answer wins. */
export function useSurvey(design: KitDesign, books: Books, cut: Cut | undefined, firing?: number) {
	const [survey, setSurvey] = useState<KitSurvey | undefined>();
	const [section, setSection] = useState<Section | undefined>();
	const [halted, setHalted] = useState<Halt | undefined>();
	const [slow, setSlow] = useState(false);
	const { ask, end } = useWorker<Surveyor>(thread);
	const newestBooks = useRef(books);
	newestBooks.current = books;
	const sound = useSound(design);
	useEffect(() => void ask((remote) => remote.open(books)), [ask, books]);
	const halt = useCallback(
		(why: Halt) => {
			end();
			// A new thread knows no books.
			void ask((remote) => remote.open(newestBooks.current));
			setSurvey(undefined);
			setHalted(why);
		},
		[ask, end],
	);
	const readDesign = useNewest(async () => {
		let done = false;
		const tooLate = setTimeout(() => halt("late"), LIMIT_MS);
		const isSlow = setTimeout(() => setSlow(true), SLOW_MS);
		const answer = await ask(async (remote) => {
			const read = await remote.survey(sound, firing);
			done = true;
			return read;
		});
		clearTimeout(tooLate);
		clearTimeout(isSlow);
		setSlow(false);
		setSurvey(answer);
		if (done) setHalted(answer ? undefined : "intricate");
	});
	const readSection = useNewest(async () => setSection(cut && (await ask((remote) => remote.section(cut, PLACES)))));
	// biome-ignore lint/correctness/useExhaustiveDependencies: both ask for the newest values themselves; these are what makes them ask
	useEffect(() => {
		readDesign();
		readSection();
	}, [sound, books, firing]);
	// biome-ignore lint/correctness/useExhaustiveDependencies: as above
	useEffect(readSection, [cut?.from.x, cut?.from.y, cut?.to.x, cut?.to.y]);
	const tryOut = useCallback(
		async (tries: readonly { level: FuseLevel; familyId: string }[]): Promise<Trial[]> =>
			(await ask((remote) => remote.trials(sound, tries))) ?? [],
		[ask, sound],
	);
	const stop = useCallback(() => halt("stopped"), [halt]);
	return { survey, section, tryOut, sound, reading: { halted, slow, stop, again: readDesign } };
}

const PLACES = 300;

/** The design with what can be read of it: parts that are just being typed are left out. */
function useSound(design: KitDesign): KitDesign {
	const known = useRef(new WeakMap<object, boolean>());
	const isSound = (part: object): boolean => {
		const before = known.current.get(part);
		if (before !== undefined) return before;
		const { success } = kitPart.safeParse(part);
		known.current.set(part, success);
		return success;
	};
	const parts = design.parts.filter(isSound);
	const last = useRef(design);
	const whole = parts.length === design.parts.length;
	const same = last.current.parts.length === parts.length && last.current.parts.every((part, i) => part === parts[i]);
	const sameRest = last.current.route === design.route && last.current.components === design.components;
	const sameAims = last.current.flat === design.flat && last.current.frameId === design.frameId;
	if (!(same && sameRest && sameAims)) last.current = whole ? design : { ...design, parts };
	return last.current;
}
