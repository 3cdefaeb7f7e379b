import type { BagsOfKit } from "@contract/bags";
import type { BagLine } from "@core/cutting/bag";

/** What is still to go into a bag. */
export const missingOf = ({ contents }: BagsOfKit, inIt: readonly string[]): BagLine[] =>
	contents.filter(({ key }) => !inIt.includes(key));
