import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import { boxOutline } from "@core/loading/outlines/fired-outline";

const SIDE_PX = 28;

/** The outline of a piece as it was made: its kit's, scaled to what was measured, a rectangle where there is none. Its longest side fills the mark. */
export function OutlineMark(props: { ring: Ring | undefined; widthMm: number; heightMm: number }) {
	const { widthMm, heightMm, ring = boxOutline(widthMm, heightMm) } = props;
	const box = boundsOf([ring]);
	const px = (SIDE_PX - 2) / Math.max(widthMm, heightMm);
	const [w, h] = [widthMm * px, heightMm * px];
	const x = (at: number) => (SIDE_PX - w) / 2 + ((at - box.minX) / box.widthMm) * w;
	const y = (at: number) => (SIDE_PX + h) / 2 - ((at - box.minY) / box.heightMm) * h;
	return (
		<svg width={SIDE_PX} height={SIDE_PX} aria-hidden="true" className="shrink-0">
			<polygon
				points={ring.map((at) => `${x(at.x).toFixed(1)},${y(at.y).toFixed(1)}`).join(" ")}
				className="fill-base-content/10 stroke-base-content"
				strokeWidth="1.2"
				strokeLinejoin="round"
			/>
		</svg>
	);
}
