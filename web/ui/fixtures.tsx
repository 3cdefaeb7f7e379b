import type { KilnFixture } from "@core/kiln/record";

interface Props {
	fixtures: readonly KilnFixture[];
	shelf: { widthMm: number; heightMm: number };
}

/** What stands on a shelf or reaches over it, from above: posts as discs, a thermocouple as the rod it is. */
export function Fixtures({ fixtures, shelf }: Props) {
	return (
		<g>
			{fixtures.map(({ kind, xMm, yMm, acrossMm }, i) =>
				kind === "post" ? (
					<g key={i}>
						<circle cx={xMm} cy={yMm} r={acrossMm / 2} className="fill-[#8b8f86] stroke-[#3c3f3a]" strokeWidth="1.2" />
						<path
							d={`M${xMm - acrossMm / 4} ${yMm}h${acrossMm / 2}M${xMm} ${yMm - acrossMm / 4}v${acrossMm / 2}`}
							className="stroke-[#3c3f3a]"
							strokeWidth="1.2"
						/>
						<title>post: no glass comes near</title>
					</g>
				) : (
					<g key={i}>
						<path
							d={`M${edgeFrom({ xMm, yMm }, shelf)}L${xMm} ${yMm}`}
							className="stroke-[#6b4a2f]"
							strokeWidth={acrossMm}
							strokeLinecap="round"
						/>
						<title>thermocouple: nothing may touch it</title>
					</g>
				),
			)}
		</g>
	);
}

/** Where the rod comes in: at the edge that is nearest. */
function edgeFrom({ xMm, yMm }: Pick<KilnFixture, "xMm" | "yMm">, { widthMm, heightMm }: Props["shelf"]): string {
	const ways = [
		{ far: xMm, at: `0 ${yMm}` },
		{ far: widthMm - xMm, at: `${widthMm} ${yMm}` },
		{ far: yMm, at: `${xMm} 0` },
		{ far: heightMm - yMm, at: `${xMm} ${heightMm}` },
	];
	return ways.sort((a, b) => a.far - b.far)[0]?.at ?? "";
}

/** Under a map: what the discs and the rod on it are. */
export function FixtureLegend({ fixtures, x, y }: { fixtures: readonly KilnFixture[]; x: number; y: number }) {
	const has = (kind: KilnFixture["kind"]) => fixtures.some((one) => one.kind === kind);
	return (
		<g className="fill-soft" fontSize="11">
			{has("post") && (
				<g transform={`translate(${x} ${y})`}>
					<circle cx="-60" cy="-4" r="5" className="fill-[#8b8f86] stroke-[#3c3f3a]" />
					<text x="-51">post</text>
				</g>
			)}
			{has("thermocouple") && (
				<g transform={`translate(${x} ${y})`}>
					<path d="M-14 -4h14" className="stroke-[#6b4a2f]" strokeWidth="5" strokeLinecap="round" />
					<text x="7">thermocouple</text>
				</g>
			)}
		</g>
	);
}
