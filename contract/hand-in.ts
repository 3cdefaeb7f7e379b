import { z } from "zod";
import { glue, grams, id, lengthMm, level, seq, words } from "./fields";

/** A step of one piece: which, the device's own id for this event, and the state the person saw. */
export const pieceStep = { pieceId: id, eventId: id, seq };

const asMade = z
	.strictObject({
		widthMm: lengthMm("Width"),
		heightMm: lengthMm("Height"),
		thickestMm: lengthMm("Thickest point", 150),
		thinnestMm: lengthMm("Thinnest point", 150),
		massG: grams("Weight").nullable(),
		changed: words("What changed", 500),
	})
	.refine((made) => made.thinnestMm <= made.thickestMm, {
		path: ["thinnestMm"],
		message: "The thinnest point cannot be thicker than the thickest point.",
	});

/** A piece as it was handed in; apart from the other actions, so that its form loads no more than it needs. */
export const handIn = z.strictObject({ ...pieceStep, asMade, glue, level });
