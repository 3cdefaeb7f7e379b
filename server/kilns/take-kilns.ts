import type { UseCase } from "../house/context";
import { counted } from "../house/counted";
import { saveKiln } from "./save-kiln";

/** Kilns of a list come into the book, one after another in one transaction. */
export const takeKilns: UseCase<"takeKilns"> = async (context, { entries }) => {
	for (const one of entries) await saveKiln(context, one);
	return counted(entries);
};
