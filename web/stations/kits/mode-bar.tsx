import { type Glass, inUse } from "@core/glass/glass";
import { useKeys } from "../../lib/use-keys";
import { useDraft, useParts } from "./draft";
import { drawnThread } from "./parts/new-part";
import type { PlanMode } from "./plan/use-plan-drag";

/** What is being drawn on the plan, and how to end it. */
export function ModeBar({
	mode,
	onMode,
	glasses,
}: {
	mode: PlanMode;
	onMode(mode: PlanMode): void;
	glasses: readonly Glass[];
}) {
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const parts = useParts();
	const components = useDraft((draft) => draft.document.components);
	const leave = () => onMode({ kind: "parts" });
	const finish = () => {
		leave();
		if (mode.kind !== "line" || mode.points.length < 2) return;
		const glass = inUse(glasses).find(({ form }) => form === mode.form);
		if (!glass) return;
		const thread = drawnThread({ parts, components, glasses }, mode, glass.id);
		editParts((all) => [...all, thread]);
		choose([thread.id]);
	};
	useKeys({ escape: leave, enter: () => (mode.kind === "line" ? finish() : false) }, { whileTyping: true });
	return (
		<p role="status" className="flex items-center gap-3 rounded bg-pick px-3 py-1.5">
			<span className="grow">
				{mode.kind === "line"
					? `Press where the ${mode.form} runs, point by point (${mode.points.length} so far). Enter ends it.`
					: "Draw each score across the sheet, edge to edge. Then press “Cut it and spread the pieces”."}
			</span>
			{mode.kind === "line" && (
				<button type="button" className="btn btn-sm" disabled={mode.points.length < 2} onClick={finish}>
					Done
				</button>
			)}
			<button type="button" className="btn btn-ghost btn-sm" onClick={leave}>
				Leave it
			</button>
		</p>
	);
}
