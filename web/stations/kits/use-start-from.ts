import { kitDesign } from "@contract/documents/kit-design";
import { useEffect } from "react";
import { takeBegunKit } from "../../lib/begin-kit";
import { useDraft } from "./draft";

/** A kit that was begun from another one, or from a sample. */
export function useStartFrom(isNew: boolean): void {
	const edit = useDraft((draft) => draft.edit);
	useEffect(() => {
		const text = takeBegunKit();
		if (!isNew || !text) return;
		const parsed = kitDesign.safeParse(JSON.parse(text));
		if (parsed.success) edit(() => parsed.data);
	}, [isNew, edit]);
}
