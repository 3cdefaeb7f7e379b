import type { Phrase } from "../units/phrase";
import { heightOf } from "./footprint";
import type { Reached } from "./heat-there";
import { layWords } from "./lay-words";
import type { LoadKiln, WaitingPiece } from "./load";
import { loadProblems } from "./load-problems";
import type { Form } from "./outlines/form";
import type { KilnPlacement } from "./placement";

/** What is wrong first with where somebody put the pieces, in a sentence. */
export function wrongByHand(
	laid: readonly KilnPlacement[],
	pieces: readonly WaitingPiece[],
	forms: ReadonlyMap<string, Form>,
	kiln: LoadKiln,
	clearanceMm: number,
	reached: readonly Reached[],
): Phrase | undefined {
	const pieceOf = (id: string) => pieces.find((one) => one.id === id) as WaitingPiece;
	const formed = laid.map((one) => {
		const piece = pieceOf(one.id);
		return { ...one, form: forms.get(one.id) as Form, standsMm: heightOf(piece), familyId: piece.familyId };
	});
	const wrong = loadProblems(formed, { kiln, clearanceMm, reached })[0];
	return wrong && layWords(wrong, (id) => pieceOf(id).code, clearanceMm);
}
