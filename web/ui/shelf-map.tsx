import type { Picture, Pictures } from "@contract/kits";
import type { PieceBrief } from "@contract/pieces";
import type { Place } from "@core/loading/pack";
import type { Shelf } from "@core/loading/shelf";
import { MM_PER_INCH } from "@core/units/length";
import { useFigure, usePrefs } from "../lib/prefs";
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
	mark?: "done" | "chosen" | undefined;
}

interface Props {
	shelf: Shelf;
	clearanceMm: number;
	doorSide: "front" | "top";
	pieces: readonly OnShelf[];
	onPick?: (code: string) => void;
	className?: string;
}

/** The kiln shelf to scale, seen from above: pieces where they lie, each in its halo of predicted spread and clearance. */
export function ShelfMap({ shelf, clearanceMm, doorSide, pieces, onPick, className = "max-h-full" }: Props) {
	const figure = useFigure();
	const { units } = usePrefs();
	const scale = units.length === "in" ? 4 * MM_PER_INCH : 100;
	const { widthMm: w, heightMm: h, marginMm } = shelf;
	const pad = 14;
	const flip = (place: Place) => h - place.yMm - place.heightMm;
	return (
		<svg
			viewBox={`${-pad} ${-pad} ${w + 2 * pad} ${h + 2 * pad + 26}`}
			className={`mx-auto block w-full max-lg:max-h-[60vh] ${className}`}
			role={onPick ? "group" : "img"}
			aria-label={`Shelf ${figure({ mm: w })} by ${figure({ mm: h })} with ${pieces.length} pieces`}
		>
			<path d={shelfPath(shelf, 0)} className="fill-bench stroke-base-content/45" />
			<path d={shelfPath(shelf, marginMm)} fill="none" className="stroke-black/15" strokeDasharray="2 4" />
			{pieces.map((one) => {
				const { place } = one;
				const [x, y] = [place.xMm, flip(place)];
				const [madeW, madeH] = place.turned ? [one.madeHeightMm, one.madeWidthMm] : [one.madeWidthMm, one.madeHeightMm];
				const [gx, gy] = [x + (place.widthMm - madeW) / 2, y + (place.heightMm - madeH) / 2];
				const size = Math.min(17, Math.max(9, madeW / 5.2));
				const plateW = Math.min(madeW - 4, size * 4.1);
				const half = clearanceMm / 2;
				return (
					<g key={one.code} className={onPick ? "cursor-pointer" : undefined}>
						<rect
							x={x - half}
							y={y - half}
							width={place.widthMm + clearanceMm}
							height={place.heightMm + clearanceMm}
							rx="4"
							fill="none"
							strokeDasharray="4 3"
							className="stroke-[oklch(45%_0.1_228)]/60"
						/>
						<rect x={gx} y={gy} width={madeW} height={madeH} rx="2" fill="#dfe8e3" stroke="#00000040" />
						{one.picture && (
							<PieceDrawing
								picture={one.picture}
								x={gx + madeW / 2}
								y={gy + madeH / 2}
								widthMm={one.madeWidthMm}
								heightMm={one.madeHeightMm}
								turned={place.turned}
							/>
						)}
						<rect
							x={gx + (madeW - plateW) / 2}
							y={gy + madeH / 2 - size * 1.15}
							width={plateW}
							height={size * 2.35}
							rx="2"
							fill="#fffffff0"
						/>
						<text
							x={gx + madeW / 2}
							y={gy + madeH / 2 - size * 0.12}
							textAnchor="middle"
							fontSize={size}
							className="figure fill-[#10302a] font-bold"
						>
							{one.code}
						</text>
						<text
							x={gx + madeW / 2}
							y={gy + madeH / 2 + size * 0.88}
							textAnchor="middle"
							fontSize={size * 0.82}
							className="fill-[#21443c]"
						>
							{shorten(one.name, 9)}
						</text>
						{one.mark === "chosen" && (
							<rect
								x={gx - 2}
								y={gy - 2}
								width={madeW + 4}
								height={madeH + 4}
								rx="3"
								fill="none"
								strokeWidth="4"
								className="stroke-[oklch(47%_0.12_228)]"
							/>
						)}
						{one.mark === "done" && (
							<path
								d={`M${gx + madeW - 26} ${gy + 16}l6 6 12-14`}
								fill="none"
								stroke="#10302a"
								strokeWidth="4.5"
								className="[paint-order:stroke]"
							/>
						)}
						{onPick && (
							<rect
								x={gx}
								y={gy}
								width={madeW}
								height={madeH}
								fill="transparent"
								role="button"
								tabIndex={0}
								aria-label={`${one.code} ${one.name}${one.mark === "done" ? ", judged" : ""}`}
								onClick={() => onPick(one.code)}
								onKeyDown={(event) => {
									if (event.key === "Enter" || event.key === " ") onPick(one.code);
								}}
							/>
						)}
					</g>
				);
			})}
			<path d={`M0 ${h + 12}v6h${scale}v-6`} fill="none" className="stroke-base-content" strokeWidth="1.2" />
			<text x={scale + 6} y={h + 19} fontSize="11" className="figure fill-base-content">
				{figure({ mm: scale })}
			</text>
			<text x={w} y={h + 19} fontSize="11" textAnchor="end" className="fill-soft">
				{doorSide === "front" ? "door on this side" : "lid above, hinge at the far side"}
			</text>
		</svg>
	);
}

function PieceDrawing({
	picture,
	x,
	y,
	widthMm,
	heightMm,
	turned,
}: {
	picture: Picture;
	x: number;
	y: number;
	widthMm: number;
	heightMm: number;
	turned: boolean;
}) {
	const scale = `${widthMm / picture.widthMm} ${heightMm / picture.heightMm}`;
	return (
		<g transform={`translate(${x} ${y}) rotate(${turned ? 90 : 0}) scale(${scale})`}>
			{picture.shapes.map(({ d, colour }) => (
				<path key={d} d={d} fill={colour} stroke="#00000045" strokeWidth="0.4" />
			))}
		</g>
	);
}

/** A piece as it lies in its place; none where it was never measured. */
export function lying(piece: PieceBrief, place: Place, pictures: Pictures, mark?: OnShelf["mark"]): OnShelf[] {
	if (!piece.asMade) return [];
	const { widthMm: madeWidthMm, heightMm: madeHeightMm } = piece.asMade;
	return [
		{
			place,
			code: piece.code,
			name: piece.student ?? "",
			picture: pictures[piece.kitVersionId ?? ""],
			madeWidthMm,
			madeHeightMm,
			mark,
		},
	];
}

const shorten = (name: string, most: number): string => {
	const first = name.split(" ")[0] ?? name;
	return first.length > most ? `${first.slice(0, most - 1)}…` : first;
};
