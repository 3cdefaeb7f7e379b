import type { KilnCard } from "@contract/kilns";
import { useFigure } from "../../lib/prefs";
import { Fixtures } from "../../ui/fixtures";
import { shelfPath } from "../../ui/shelf-path";
import { sizeWords } from "../../ui/size-words";

type Drawn = Pick<
	KilnCard,
	"shelfWidthMm" | "shelfHeightMm" | "marginMm" | "shelfShape" | "zones" | "fixtures" | "doorSide" | "name"
>;

/** A kiln's shelf from above, to scale: its outline, usable margin, zones with their offsets, posts and thermocouple, and the side of the door. */
export function ShelfOutline({ kiln, widthPx, labels = false }: { kiln: Drawn; widthPx: number; labels?: boolean }) {
	const figure = useFigure();
	const { shelfWidthMm: w, shelfHeightMm: h, marginMm, shelfShape, zones, fixtures, doorSide, name } = kiln;
	const scale = w / widthPx;
	const pad = 3 * scale;
	const foot = labels ? 16 * scale : pad;
	const outline = (inset: number) => shelfPath({ widthMm: w, heightMm: h, shape: shelfShape }, inset);
	const id = `shelf${Math.round(w)}${Math.round(h)}${shelfShape}${Math.round(widthPx)}`;
	return (
		<svg
			width={widthPx + 6}
			height={(h + pad + foot) / scale}
			viewBox={`${-pad} ${-pad} ${w + 2 * pad} ${h + pad + foot}`}
			role="img"
			aria-label={`Shelf of ${name}, ${sizeWords([w, h], figure)}, ${zones.length} zones`}
		>
			<clipPath id={id}>
				<path d={outline(0)} />
			</clipPath>
			<path d={outline(0)} className="fill-bench stroke-base-content/70" strokeWidth={1.4 * scale} />
			<g clipPath={`url(#${id})`}>
				{zones.map((zone) => (
					<g key={zone.name}>
						<rect
							x={zone.xMm}
							y={zone.yMm}
							width={zone.widthMm}
							height={zone.heightMm}
							className={zone.offsetK > 0 ? "fill-accent/20" : "fill-secondary/18"}
						/>
						{labels && (
							<text
								x={zone.xMm + zone.widthMm / 2}
								y={zone.yMm + zone.heightMm / 2 + 4 * scale}
								textAnchor="middle"
								fontSize={11.5 * scale}
								className="figure fill-[#10302a]"
							>
								{zone.name} {figure({ signedC: zone.offsetK })}
							</text>
						)}
					</g>
				))}
			</g>
			<Fixtures fixtures={fixtures} shelf={{ widthMm: w, heightMm: h }} />
			<path
				d={outline(marginMm)}
				fill="none"
				className="stroke-black/25"
				strokeDasharray={`${4 * scale} ${3 * scale}`}
				strokeWidth={scale}
			/>
			{doorSide === "front" && (
				<path d={`M${w * 0.25} ${h}H${w * 0.75}`} className="stroke-base-content" strokeWidth={4 * scale} />
			)}
			{labels && (
				<text x={w / 2} y={h + 13 * scale} textAnchor="middle" fontSize={11 * scale} className="figure fill-soft">
					{sizeWords([w, h], figure)}
					{doorSide === "front" ? ", door on this side" : ""}, 1 : {Math.round(scale * 3.78)}
				</text>
			)}
		</svg>
	);
}
