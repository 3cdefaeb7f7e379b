import type { Picture, Pictures } from "@contract/kits";
import type { PieceBrief } from "@contract/pieces";
import { boundsOf } from "@core/geometry/bounds";
import { grown } from "@core/geometry/grown";
import type { Point, Ring } from "@core/geometry/region";
import { placeRing } from "@core/geometry/shape";
import type { KilnFixture } from "@core/kiln/record";
import { laidRing, outlineOf, type Place } from "@core/loading/place";
import type { Shelf } from "@core/loading/shelf";
import { MM_PER_INCH } from "@core/units/length";
import { type ReactNode, useMemo } from "react";
import { inmost } from "../lib/inmost";
import { useFigure, usePrefs } from "../lib/prefs";
import { FixtureLegend, Fixtures } from "./fixtures";
import { shelfPath } from "./shelf-path";

export interface OnShelf {
	place: Place;
	code: string;
	name: string;
	/** The kit's plan, drawn to the size the piece really has. */
	picture: Picture | undefined;
	/** Cut size as handed in, mm, as it lies before it is turned. */
	madeWidthMm: number;
	madeHeightMm: number;
	/** Its underside looks up. */
	upsideDown?: boolean;
	mark?: "done" | "chosen" | "wrong" | "pinned" | undefined;
}

interface Props {
	shelf: Shelf;
	clearanceMm: number;
	doorSide: "front" | "top";
	pieces: readonly OnShelf[];
	/** Places that are hotter or cooler than the middle. */
	zones?: readonly { name: string; xMm: number; yMm: number; widthMm: number; heightMm: number; offsetK: number }[];
	/** What stands on it or reaches over it. */
	fixtures?: readonly KilnFixture[];
	onPick?: (code: string) => void;
	/** More under the pieces. */
	below?: ReactNode;
	/** More layers above the pieces: for one who moves them. */
	above?: ReactNode;
	/** On paper: exactly so wide, mm. */
	paperMm?: number;
	className?: string;
}

const PAD = 14;
/** Under the shelf: its scale and its door, and below them its size. */
const FOOT = 40;

/** All that a map of a shelf shows, mm. */
export const mapSize = ({ widthMm, heightMm }: Pick<Shelf, "widthMm" | "heightMm">) => ({
	widthMm: widthMm + 2 * PAD,
	heightMm: heightMm + 2 * PAD + FOOT,
});

/** The kiln shelf to scale, seen from above: pieces where they lie, each in its halo of predicted spread and clearance. */
export function ShelfMap(props: Props) {
	const { shelf, clearanceMm, pieces, onPick, above, paperMm, className = "max-h-full" } = props;
	const figure = useFigure();
	const { widthMm: w, heightMm: h } = shelf;
	const size = mapSize(shelf);
	return (
		<svg
			viewBox={`${-PAD} ${-PAD} ${size.widthMm} ${size.heightMm}`}
			{...(paperMm === undefined
				? { className: `mx-auto block w-full max-lg:max-h-[60vh] ${className}` }
				: {
						className: "mx-auto block",
						width: `${paperMm}mm`,
						height: `${(paperMm * size.heightMm) / size.widthMm}mm`,
					})}
			role={onPick || above ? "group" : "img"}
			aria-label={`Shelf ${figure({ mm: w })} by ${figure({ mm: h })} with ${pieces.length} pieces`}
		>
			<Ground shelf={shelf} zones={props.zones ?? []} />
			<Fixtures fixtures={props.fixtures ?? []} shelf={shelf} />
			{props.below}
			{pieces.map((one) => (
				<g key={one.code} className={onPick ? "cursor-pointer" : undefined}>
					<Halo place={one.place} clearanceMm={clearanceMm} shelfHeightMm={h} isWrong={one.mark === "wrong"} />
					<Lying one={one} shelfHeightMm={h} />
					<NamePlate one={one} shelfHeightMm={h} />
					{onPick && <PickArea one={one} shelfHeightMm={h} onPick={onPick} />}
				</g>
			))}
			{above}
			<ScaleLine shelf={shelf} doorSide={props.doorSide} />
			<FixtureLegend fixtures={props.fixtures ?? []} x={w - 78} y={h + 34} />
		</svg>
	);
}

/** A ring of the shelf as a path; the shelf counts upwards, a drawing downwards. */
export const ringPath = (ring: Ring, shelfHeightMm: number): string =>
	`M${ring.map(({ x, y }) => `${x.toFixed(1)} ${(shelfHeightMm - y).toFixed(1)}`).join("L")}Z`;

function Ground({ shelf, zones }: { shelf: Shelf; zones: NonNullable<Props["zones"]> }) {
	const figure = useFigure();
	return (
		<g>
			<path d={shelfPath(shelf, 0)} className="fill-bench stroke-base-content/45" />
			{zones.map(({ name, xMm, yMm, widthMm, heightMm, offsetK }) => (
				<g key={name}>
					<rect
						x={xMm}
						y={yMm}
						width={widthMm}
						height={heightMm}
						className={offsetK < 0 ? "fill-[oklch(45%_0.1_228)]/10" : "fill-[oklch(60%_0.17_45)]/10"}
					/>
					<text x={xMm + 4} y={yMm + heightMm - 4} fontSize="10" className="figure fill-[oklch(40%_0.03_170)]">
						{offsetK < 0 ? "cool" : "hot"} {figure({ signedC: offsetK })}
					</text>
				</g>
			))}
			<path d={shelfPath(shelf, shelf.marginMm)} fill="none" className="stroke-black/15" strokeDasharray="2 4" />
		</g>
	);
}

function Halo({
	place,
	clearanceMm,
	shelfHeightMm,
	isWrong,
}: {
	place: Place;
	clearanceMm: number;
	shelfHeightMm: number;
	isWrong: boolean;
}) {
	return (
		<path
			d={ringPath(grown(laidRing(place), clearanceMm / 2), shelfHeightMm)}
			fill="none"
			strokeDasharray="4 3"
			strokeWidth={isWrong ? 2.5 : 1}
			strokeLinejoin="round"
			className={isWrong ? "stroke-error" : "stroke-[oklch(45%_0.1_228)]/60"}
		/>
	);
}

/** The glass as it was handed in, turned as it lies. */
function Lying({ one, shelfHeightMm }: { one: OnShelf; shelfHeightMm: number }) {
	const { place, picture, madeWidthMm: w, madeHeightMm: h, upsideDown = false } = one;
	const shapes = upsideDown ? picture?.shapes.toReversed() : picture?.shapes;
	return (
		<g transform={`translate(${place.xMm} ${shelfHeightMm - place.yMm}) rotate(${-place.turnDeg})`}>
			{picture && shapes ? (
				<g transform={`scale(${((upsideDown ? -1 : 1) * w) / picture.widthMm} ${h / picture.heightMm})`}>
					{shapes.map(({ d, colour }, i) => (
						// What lay lowest covers it now; a little of what is below shows where.
						<path
							key={d}
							d={d}
							fill={colour}
							fillOpacity={upsideDown && i === shapes.length - 1 ? 0.82 : 1}
							stroke="#00000045"
							strokeWidth="0.4"
						/>
					))}
				</g>
			) : (
				<rect x={-w / 2} y={-h / 2} width={w} height={h} rx="2" fill="#dfe8e3" stroke="#00000040" />
			)}
		</g>
	);
}

function NamePlate({ one, shelfHeightMm }: { one: OnShelf; shelfHeightMm: number }) {
	const { widthMm } = boundsOf([laidRing(one.place)]);
	const { outline, widthMm: w, heightMm: h } = one.place;
	// Two triangles that lie in one box have their names apart.
	const most = useMemo(() => inmost(outlineOf({ outline, widthMm: w, heightMm: h })), [outline, w, h]);
	const [name] = placeRing([most], { x: one.place.xMm, y: one.place.yMm }, one.place.turnDeg) as [Point];
	const [x, y] = [name.x, shelfHeightMm - name.y];
	const linesHigh = one.upsideDown ? 4.2 : 2.6;
	const size = Math.min(17, Math.max(9, Math.min(widthMm / 5.2, (2 * most.roomMm) / linesHigh)));
	const plateW = one.upsideDown ? size * 5 : Math.max(size * 3.4, Math.min(widthMm - 4, size * 4.1));
	return (
		<g className="pointer-events-none">
			<rect
				x={x - plateW / 2}
				y={y - size * 1.15}
				width={plateW}
				height={size * (one.upsideDown ? 3.3 : 2.35)}
				rx="2"
				fill="#fffffff0"
			/>
			<text x={x} y={y - size * 0.12} textAnchor="middle" fontSize={size} className="figure fill-[#10302a] font-bold">
				{one.code}
			</text>
			<text x={x} y={y + size * 0.88} textAnchor="middle" fontSize={size * 0.82} className="fill-[#21443c]">
				{shorten(one.name, 9)}
			</text>
			{one.upsideDown && (
				<text x={x} y={y + size * 1.82} textAnchor="middle" fontSize={size * 0.72} className="fill-[#10302a] font-bold">
					upside down
				</text>
			)}
			{one.mark === "done" && (
				<path
					d={`M${one.place.xMm + widthMm / 2 - 26} ${shelfHeightMm - one.place.yMm - size * 1.6}l6 6 12-14`}
					fill="none"
					stroke="#10302a"
					strokeWidth="4.5"
				/>
			)}
			{one.mark === "pinned" && <circle cx={x + plateW / 2} cy={y - size * 1.15} r={size * 0.4} fill="#10302a" />}
			{one.mark === "chosen" && (
				<path
					d={ringPath(grown(laidRing(one.place), 2), shelfHeightMm)}
					fill="none"
					strokeWidth="4"
					className="stroke-[oklch(47%_0.12_228)]"
				/>
			)}
		</g>
	);
}

function PickArea({
	one,
	shelfHeightMm,
	onPick,
}: {
	one: OnShelf;
	shelfHeightMm: number;
	onPick: (code: string) => void;
}) {
	return (
		<path
			d={ringPath(laidRing(one.place), shelfHeightMm)}
			fill="transparent"
			role="button"
			tabIndex={0}
			aria-label={`${one.code} ${one.name}${one.upsideDown ? ", upside down" : ""}${one.mark === "done" ? ", judged" : ""}`}
			onClick={() => onPick(one.code)}
			onKeyDown={(event) => {
				if (event.key === "Enter" || event.key === " ") onPick(one.code);
			}}
		/>
	);
}

function ScaleLine({ shelf: { widthMm: w, heightMm: h }, doorSide }: Pick<Props, "shelf" | "doorSide">) {
	const figure = useFigure();
	const { units } = usePrefs();
	const scale = units.length === "in" ? 4 * MM_PER_INCH : 100;
	return (
		<g>
			<path d={`M0 ${h + 12}v6h${scale}v-6`} fill="none" className="stroke-base-content" strokeWidth="1.2" />
			<text x={scale + 6} y={h + 19} fontSize="11" className="figure fill-base-content">
				{figure({ mm: scale })}
			</text>
			<text x={0} y={h + 34} fontSize="11" className="figure fill-soft">
				shelf {figure({ mm: w })} × {figure({ mm: h })}
			</text>
			<text x={w} y={h + 19} fontSize="11" textAnchor="end" className="fill-soft">
				{doorSide === "front" ? "door on this side" : "lid above, hinge at the far side"}
			</text>
		</g>
	);
}

/** A piece as it lies in its place; none where it was never measured. */
export function lying(piece: PieceBrief, place: Place, pictures: Pictures, mark?: OnShelf["mark"]): OnShelf[] {
	if (!piece.body) return [];
	const { widthMm: madeWidthMm, heightMm: madeHeightMm } = piece.body;
	return [
		{
			place,
			code: piece.code,
			name: piece.student ?? "",
			picture: pictures[piece.kitVersionId ?? ""],
			madeWidthMm,
			madeHeightMm,
			upsideDown: piece.body.turnedOver,
			mark,
		},
	];
}

const shorten = (name: string, most: number): string => {
	const first = name.split(" ")[0] ?? name;
	return first.length > most ? `${first.slice(0, most - 1)}…` : first;
};
