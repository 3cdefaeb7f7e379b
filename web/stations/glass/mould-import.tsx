import { mould as mouldSchema } from "@contract/documents/glass-book";
import { revision } from "@contract/fields";
import type { Kept } from "@contract/glass";
import type { Mould } from "@core/kit/mould";
import { MOULD_LIST } from "@formats/book-list";
import { z } from "zod";
import BookImport from "../../ui/book-import";
import { NEW_MOULD } from "./new-mould";

const SCHEMA = z.strictObject({ mould: mouldSchema, revision });

/** The studio's moulds from a list it has somewhere else. */
export default function MouldImport({ known }: { known: readonly Kept<Mould>[] }) {
	return (
		<BookImport
			action="takeMoulds"
			several="moulds"
			spec={MOULD_LIST}
			known={known}
			schema={SCHEMA}
			entry={({ name, said }, before, id) => {
				// What the studio counts is not typed.
				const {
					revision: on = 0,
					retired: _,
					usesSince: __,
					...its
				} = before ?? { ...NEW_MOULD, id: id().slice(0, 8) };
				const { name: ___, ...rest } = said;
				const isRound = (rest.opening ?? its.opening) === "round";
				const sides = isRound && rest.widthMm !== undefined ? { heightMm: rest.widthMm } : {};
				return {
					entry: {
						mould: { ...its, ...(rest as Partial<Mould>), ...(sides as Partial<Mould>), name: before?.name ?? name },
						revision: on,
					},
				};
			}}
		/>
	);
}
