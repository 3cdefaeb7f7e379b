import { kitPart } from "@contract/kit";
import type { FuseLevel } from "@core/firing/level";
import type { KitDesign } from "@core/kit/kit";
import type { Cut, Section } from "@core/stack/section";
import type { KitSurvey, Trial } from "@core/stack/survey";
import { type Remote, wrap } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Books, Surveyor } from "../../workers/survey.worker";

/** The survey of a kit while it is changed, its section and its trials, all asked in one worker; the newest answer wins. */
export function useSurvey(design: KitDesign, books: Books, cut: Cut | undefined) {
	const [survey, setSurvey] = useState<KitSurvey | undefined>();
	const [section, setSection] = useState<Section | undefined>();
	const worker = useRef<Remote<Surveyor> | null>(null);
	const sound = useSound(design);
	useEffect(() => {
		const thread = new Worker(new URL("../../workers/survey.worker.ts", import.meta.url), { type: "module" });
		worker.current = wrap<Surveyor>(thread);
		return () => thread.terminate();
	}, []);
	useEffect(() => {
		void worker.current?.open(books);
	}, [books]);
	const readDesign = useNewest(async () => {
		const answer = await worker.current?.survey(sound);
		if (answer) setSurvey(answer);
	});
	const readSection = useNewest(async () => setSection(cut && (await worker.current?.section(cut, PLACES))));
	// biome-ignore lint/correctness/useExhaustiveDependencies: both ask for the newest values themselves; these are what makes them ask
	useEffect(() => {
		readDesign();
		readSection();
	}, [sound, books]);
	// biome-ignore lint/correctness/useExhaustiveDependencies: as above
	useEffect(readSection, [cut?.from.x, cut?.from.y, cut?.to.x, cut?.to.y]);
	const tryOut = useCallback(
		(tries: readonly { level: FuseLevel; familyId: string }[]): Promise<Trial[]> =>
			worker.current?.trials(sound, tries) ?? Promise.resolve([]),
		[sound],
	);
	return { survey, section, tryOut, sound };
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

/** Runs a task, never two at once: what is asked meanwhile runs once more, with the newest values. */
function useNewest(task: () => Promise<void>): () => void {
	const newest = useRef(task);
	newest.current = task;
	const state = useRef<"idle" | "busy" | "again">("idle");
	return useCallback(() => {
		const run = async () => {
			state.current = "busy";
			await newest.current();
			if ((state.current as string) === "again") await run();
			else state.current = "idle";
		};
		if (state.current === "idle") void run();
		else state.current = "again";
	}, []);
}
