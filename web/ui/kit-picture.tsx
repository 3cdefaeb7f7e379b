import type { Picture } from "@contract/kits";
import { useFigure } from "../lib/prefs";

/** A kit's plan in fired colours as the server drew it: nothing is reckoned in the page. */
export function KitPicture({ picture, className }: { picture: Picture; className?: string }) {
	const figure = useFigure();
	const { widthMm, heightMm, shapes } = picture;
	const pad = Math.max(widthMm, heightMm, 20) * 0.03;
	const [w, h] = [widthMm + 2 * pad || 40, heightMm + 2 * pad || 40];
	return (
		<svg
			viewBox={`${-w / 2} ${-h / 2} ${w} ${h}`}
			className={className}
			role="img"
			aria-label={`Plan, ${figure({ mm: widthMm })} by ${figure({ mm: heightMm })}`}
		>
			{shapes.map(({ d, colour }) => (
				<path key={d} d={d} fill={colour} fillRule="evenodd" className="stroke-base-content/25" strokeWidth={w / 250} />
			))}
		</svg>
	);
}
