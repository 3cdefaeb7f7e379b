import { OCTAGON_CUT, type Shelf } from "@core/loading/shelf";

/** A shelf's outline from above as a path, so far in from its edge, mm. */
export function shelfPath({ widthMm: w, heightMm: h, shape }: Omit<Shelf, "marginMm">, inset: number): string {
	const [x0, y0, x1, y1] = [inset, inset, w - inset, h - inset];
	if (shape === "round") {
		const r = (x1 - x0) / 2;
		return `M${x0} ${h / 2}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
	}
	if (shape === "octagon") {
		const cut = (x1 - x0) * OCTAGON_CUT;
		return `M${x0 + cut} ${y0}H${x1 - cut}L${x1} ${y0 + cut}V${y1 - cut}L${x1 - cut} ${y1}H${x0 + cut}L${x0} ${y1 - cut}V${y0 + cut}Z`;
	}
	return `M${x0} ${y0}H${x1}V${y1}H${x0}Z`;
}
