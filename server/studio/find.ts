import type { FoundThing } from "@contract/studio";
import { readCode } from "@core/journey/code";
import { say } from "@core/units/phrase";
import { findGlass, findKilns, findKits, findPieces } from "@db/queries/find";
import { pieceByCode } from "@db/queries/pieces";
import type { View } from "../house/view";

/** Anything by a few letters: a whole code goes straight to its piece. */
export const find: View<"find"> = async ({ db }, params) => {
	const text = (params.q ?? "").trim().slice(0, 60);
	if (text.length < 2) return { exact: null, found: [] };
	const code = readCode(text);
	const [hit, pieces, kits, glasses, kilns] = await Promise.all([
		code ? pieceByCode(db, code) : undefined,
		findPieces(db, text),
		findKits(db, text),
		findGlass(db, text),
		findKilns(db, text),
	]);
	const found: FoundThing[] = [
		...pieces.map(({ code: label, student }) => ({
			kind: "piece" as const,
			label,
			detail: [student ?? ""],
			href: `/piece/${label}`,
		})),
		...kits.map(({ id, name }) => ({ kind: "kit" as const, label: name, detail: ["kit"], href: `/kits/${id}` })),
		...glasses.map(({ name, familyId, thicknessMm }) => ({
			kind: "glass" as const,
			label: name,
			detail: say`family ${familyId}, ${{ mm: thicknessMm }}`,
			href: "/books",
		})),
		...kilns.map(({ id, name }) => ({
			kind: "kiln" as const,
			label: name,
			detail: ["kiln"],
			href: `/fire/kilns/${id}`,
		})),
	];
	return { exact: hit?.code ?? null, found };
};
