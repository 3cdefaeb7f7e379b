import type { ActionInput, ActionName, ActionOutput } from "@contract/actions";
import { useEffect, useMemo, useRef, useState } from "react";
import type { z } from "zod";
import { useAct } from "../../lib/api";
import { useKeys } from "../../lib/use-keys";
import { type DraftStore, useDocument } from "./draft";

/** What the studio has of a document; revision 0 and null: it was never kept. */
export interface KeptAs<D> {
	revision: number;
	document: D | null;
}

interface Options<N extends ActionName, D> {
	store: DraftStore<D>;
	/** The action that keeps it, and what it is sent. */
	action: N;
	input(document: D, revision: number): ActionInput<N>;
	kept: KeptAs<D>;
	/** What it has to be before it is sent. */
	schema: z.ZodType<D>;
	/** Who may keep it; Ctrl+S is theirs. */
	mayKeep: boolean;
	done?(output: ActionOutput[N]): void;
}

/**
 * Keeps the document of a bench: on the revision it was opened on, so that who kept another meanwhile is told. What is changed
 * while it is on its way stays to be kept; sentences of its own checks appear after the first try.
 */
export function useKept<N extends ActionName, D>(options: Options<N, D>) {
	const { store, action, schema, mayKeep } = options;
	const document = useDocument(store);
	const [kept, setKept] = useState(options.kept);
	const [tried, setTried] = useState(false);
	const sent = useRef(document);
	const act = useAct(action, (output) => {
		setKept({ revision: (output as { revision: number }).revision, document: sent.current });
		options.done?.(output);
	});
	// A page carries two copies of what is kept: compared by what they say, once they are not the same one.
	const changed = useMemo(
		() =>
			kept.document === null ||
			(document !== kept.document && JSON.stringify(document) !== JSON.stringify(kept.document)),
		[document, kept.document],
	);
	const issues = useMemo(() => {
		if (!tried) return [];
		const checked = schema.safeParse(document);
		return checked.success ? [] : checked.error.issues;
	}, [tried, document, schema]);
	const keep = () => {
		if (act.isPending || !changed) return;
		setTried(true);
		const now = store.getState().document;
		const checked = schema.safeParse(now);
		if (!checked.success) return;
		sent.current = now;
		act.mutate(options.input(checked.data, kept.revision));
	};
	useKeys({ "ctrl+s": keep }, { whileTyping: true, enabled: mayKeep });
	useEffect(() => {
		if (!changed || kept.document === null) return;
		const warn = (event: BeforeUnloadEvent) => event.preventDefault();
		addEventListener("beforeunload", warn);
		return () => removeEventListener("beforeunload", warn);
	}, [changed, kept.document]);
	return {
		keep,
		changed,
		revision: kept.revision,
		pending: act.isPending,
		error: act.error,
		/** What stands against keeping it, after a try. */
		issues,
		errorAt: (...path: (string | number)[]) =>
			issues.find((issue) => path.every((step, i) => issue.path[i] === step))?.message,
	};
}
export type KeptDocument = ReturnType<typeof useKept>;
