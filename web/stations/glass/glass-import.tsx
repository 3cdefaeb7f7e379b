import { glass as glassSchema } from "@contract/documents/glass-book";
import { revision } from "@contract/fields";
import type { Kept } from "@contract/glass";
import type { GlassFamily } from "@core/glass/family";
import { type Glass, PLAIN_SHEET } from "@core/glass/glass";
import { GLASS_LIST, type ListedThing } from "@formats/book-list";
import { z } from "zod";
import { parseMoney } from "../../lib/money";
import BookImport from "../../ui/book-import";

const SCHEMA = z.strictObject({ glass: glassSchema, revision });

interface Props {
	known: readonly Kept<Glass>[];
	families: readonly GlassFamily[];
	currency: string;
}

/** The studio's glass from a list it has somewhere else. */
export default function GlassImport({ known, families, currency }: Props) {
	return (
		<BookImport
			action="takeGlass"
			several="glasses"
			spec={GLASS_LIST}
			known={known}
			schema={SCHEMA}
			entry={(thing, before, id) => {
				const made = glassOf(
					{ ...thing, name: before?.name ?? thing.name },
					before ?? { ...PLAIN_SHEET, id: id().slice(0, 8) },
					families,
					currency,
				);
				return "sentence" in made ? made : { entry: { glass: made, revision: before?.revision ?? 0 } };
			}}
		/>
	);
}

/** A glass as a line of the list says, over what is known of it; or why it is none. */
export function glassOf(
	{ name, said }: ListedThing<keyof typeof GLASS_LIST>,
	before: Omit<Glass, "name" | "familyId"> & Partial<Kept<Glass>>,
	families: readonly GlassFamily[],
	currency: string,
): Glass | { sentence: string } {
	const { price, familyId, name: _, ...rest } = said;
	const { revision: __, retired: ___, ...known } = before;
	const family = familyId === undefined ? undefined : familyNamed(String(familyId), families);
	if (familyId !== undefined && !family)
		return { sentence: `There is no family “${familyId}” in the book. Write it down under Families first.` };
	const its = family?.id ?? before.familyId;
	if (!its) return { sentence: "It has no family. Say which column names it." };
	const priceMinor =
		price === undefined ? known.priceMinor : parseMoney(String(price).replace(/[^\d.,]/g, ""), currency);
	if (priceMinor === undefined) return { sentence: `“${price}” is not a price.` };
	// A colour that does not change in the fire is said once.
	const fired = rest.firedColour ?? rest.boughtColour;
	return {
		...known,
		...(rest as Partial<Glass>),
		...(fired && { firedColour: String(fired) }),
		name,
		familyId: its,
		priceMinor,
	};
}

/** "90", "family 90", "COE 90": by its id or label, or by the number in it. */
function familyNamed(text: string, families: readonly GlassFamily[]): GlassFamily | undefined {
	const words = text.trim().toLowerCase();
	const number = /\d+(?:\.\d+)?/.exec(words)?.[0];
	return (
		families.find(({ id, label }) => id.toLowerCase() === words || label.toLowerCase() === words) ??
		families.find(({ id, label }) => number !== undefined && (id === number || label === number))
	);
}
