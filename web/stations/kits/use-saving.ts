import { kitDesign } from "@contract/documents/kit-design";
import type { KitView } from "@contract/kits";
import type { KitDesign, KitPart } from "@core/kit/kit";
import { useKept } from "../../ui/kept/use-kept";
import { useDraft, useDraftStore } from "./draft";

/** Keeps the kit on the bench, and says of which part a sentence is. */
export function useSaving({ kit }: KitView, mayKeep: boolean) {
	const design = useDraft((draft) => draft.document);
	const kept = useKept({
		store: useDraftStore(),
		action: "saveKit",
		input: (document, revision) => ({ kitId: kit.id, revision, document }),
		kept: { revision: kit.revision, document: kit.revision === 0 ? null : kit.document },
		schema: kitDesign,
		mayKeep,
	});
	return {
		...kept,
		/** The first thing that stands against saving, with the name of the part it is about. */
		obstacle: obstacleOf(kept.issues, design),
		partError: (part: KitPart, field: string) => {
			const at = design.parts.indexOf(part);
			return kept.issues.find(({ path }) => path[0] === "parts" && path[1] === at && path.includes(field))?.message;
		},
	};
}

function obstacleOf(
	issues: readonly { path: PropertyKey[]; message: string }[],
	design: KitDesign,
): string | undefined {
	const [issue] = issues;
	if (!issue) return undefined;
	const part = issue.path[0] === "parts" ? design.parts[Number(issue.path[1])] : undefined;
	return part ? `${part.name || "A part"}: ${issue.message}` : issue.message;
}
