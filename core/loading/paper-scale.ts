/** What a map may take of the paper beside its lists, mm: A4 and Letter both hold it. */
const ROOM = { widthMm: 178, heightMm: 150 };

/** The scale, 1 to so much in halves, at which a drawing goes on paper; never larger than it is. Sizes mm. */
export const paperScale = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): number =>
	Math.max(1, Math.ceil(2 * Math.max(widthMm / ROOM.widthMm, heightMm / ROOM.heightMm)) / 2);
