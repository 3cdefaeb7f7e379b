import { kilnForm } from "@contract/documents/kiln";
import { revision } from "@contract/fields";
import type { KilnsView } from "@contract/kilns";
import { bodyOf, PLAIN_KILN, type PlainKiln } from "@core/kiln/plain-kiln";
import { KILN_LIST } from "@formats/book-list";
import { z } from "zod";
import BookImport from "../../ui/book-import";
import { newKiln } from "./new-kiln";

const SCHEMA = z.strictObject({ kiln: kilnForm, revision });

/** The studio's kilns from a list: what stands on a plate and a rule measures; the rest is learned. */
export default function KilnImport({ known }: { known: KilnsView["kilns"] }) {
	return (
		<BookImport
			action="takeKilns"
			several="kilns"
			spec={KILN_LIST}
			known={known}
			schema={SCHEMA}
			entry={({ name, said }, before, id) => {
				const { name: _, ...rest } = said;
				const isRound = (rest.shelfShape ?? before?.form?.shelfShape ?? "rectangle") !== "rectangle";
				const sides = isRound && rest.shelfWidthMm !== undefined ? { shelfHeightMm: rest.shelfWidthMm } : {};
				const change = { ...rest, ...sides } as Partial<PlainKiln> & { plateW?: number };
				if (before?.form)
					return { entry: { kiln: { ...before.form, ...change, name: before.name }, revision: before.revision } };
				const plain = { ...PLAIN_KILN.lid, ...change, ...(change.plateW && { powerW: change.plateW }) };
				const { powerW: __, ...sizes } = plain;
				return { entry: { kiln: newKiln(id(), name, { ...sizes, body: bodyOf(plain) }), revision: 0 } };
			}}
		/>
	);
}
