import type { UseCase } from "../house/context";
import { counted } from "../house/counted";
import { saveGlass } from "./save-glass";
import { saveMould } from "./save-mould";

/** Glasses of a list come into the book, one after another in one transaction. */
export const takeGlass: UseCase<"takeGlass"> = async (context, { entries }) => {
	for (const one of entries) await saveGlass(context, one);
	return counted(entries);
};

/** Moulds of a list likewise. */
export const takeMoulds: UseCase<"takeMoulds"> = async (context, { entries }) => {
	for (const one of entries) await saveMould(context, one);
	return counted(entries);
};
