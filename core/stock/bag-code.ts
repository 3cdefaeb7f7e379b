import { codeOf, readCode } from "../journey/code";

/** Before a bag's code, so that nobody takes it for a piece's. */
const MARK = "BAG";

/** The code on a bag's label, by its number in the book, from 1. */
export const bagCode = (serial: number): string => `${MARK} ${codeOf(serial)}`;

/** The same of what somebody typed or scanned; undefined where it is no bag's. */
export function readBagCode(text: string): string | undefined {
	const plain = text.trim().toUpperCase();
	const code = plain.startsWith(MARK) ? readCode(plain.slice(MARK.length)) : undefined;
	return code && `${MARK} ${code}`;
}
