import type { KilnCard } from "@contract/kilns";
import type { LoadSheetView } from "@contract/loads";
import { OPEN_C } from "@core/firing/build";
import { LEVEL_WORDS } from "@core/firing/level";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import { paperScale } from "@core/loading/paper-scale";
import { shelfWords, shelvesUsed, tiersOf } from "@core/loading/tiers";
import { counted } from "@core/units/counted";
import { dayAndClock } from "@formats/time";
import { help } from "../../help/load-sheet";
import { useFigure, usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { halvesOf, KilnShelf } from "../../ui/kiln-shelf";
import PrintButton from "../../ui/print-button";
import { SegmentList } from "../../ui/segment-list";
import { lying, mapSize } from "../../ui/shelf-map";

export default framed("loadSheet", "load", help, LoadSheet);

/** A load on paper: the map to scale with codes and names, the order it is laid in, the firing, and what lies under the glass. */
function LoadSheet({ view, frame }: StationProps<"loadSheet">) {
	const { firing, pieces, pictures } = view;
	const { timeZone } = usePrefs();
	const figure = useFigure();
	const shelf = kilnShelvesOf(firing.kiln).shelf;
	const size = mapSize(shelf);
	const scale = paperScale(size);
	const of = shelvesUsed(pieces.map(({ place }) => place));
	return (
		<div
			data-theme="workshop"
			className="scroll-y h-full bg-white p-6 text-black print:h-auto print:overflow-visible print:px-[1mm] print:py-0 print:text-[11.5px] print:leading-snug"
		>
			<div className="no-print mb-4 flex items-center gap-3">
				<h1 className="mr-auto">Load of firing {firing.number}</h1>
				<a className="btn" href={`/load/lay?firing=${firing.id}`}>
					Lay it by scanning
				</a>
				<PrintButton />
			</div>
			<header className="flex items-baseline justify-between border-b border-black pb-1">
				<p className="text-xl font-bold">
					Firing <span className="figure">{firing.number}</span>, {firing.kiln.name}
				</p>
				<p className="figure">
					{halvesOf(firing.family, firing.otherFamily).join(" and ")}, {LEVEL_WORDS[firing.level]}, {pieces.length}{" "}
					{pieces.length === 1 ? "piece" : "pieces"}
					{firing.startsAt && <>; start {dayAndClock(firing.startsAt, timeZone)}</>}
				</p>
			</header>
			{Array.from({ length: of }, (_, i) => (
				<div key={i} className="mx-auto my-3 break-inside-avoid">
					{of > 1 && <h2 className="text-center font-bold">{shelfHeading(firing.kiln, i, of, figure)}</h2>}
					<KilnShelf
						paperMm={size.widthMm / scale}
						kiln={firing.kiln}
						index={i}
						halves={halvesOf(firing.family, firing.otherFamily)}
						of={of}
						clearanceMm={frame.clearanceMm}
						pieces={pieces.flatMap((one) => lying(one, one.place, pictures))}
					/>
					<p className="figure text-center text-[12px]">
						shelf {figure({ mm: shelf.widthMm })} × {figure({ mm: shelf.heightMm })}, drawn 1 : {scale} when printed at
						full size
					</p>
				</div>
			))}
			<div className="grid grid-cols-2 gap-6">
				<Positions pieces={pieces} of={of} />
				<div className="flex flex-col gap-4">
					<section className="break-inside-avoid">
						<h2 className="font-bold">Schedule</h2>
						<SegmentList schedule={firing.schedule} setBy={firing.setBy} airMin={firing.airMin} pieces={pieces} />
						<p className="figure">
							open not before {(firing.openS / 3600).toFixed(1)} h after its start; below {figure({ c: OPEN_C })};{" "}
							{firing.kwh.toFixed(1)} kWh
						</p>
					</section>
					<Under view={view} of={of} />
				</div>
			</div>
		</div>
	);
}

/** Which shelf, what it stands on, and what room is over it. */
function shelfHeading(kiln: KilnCard, index: number, of: number, figure: ReturnType<typeof useFigure>): string {
	const under = index === 0 ? "" : `, on posts of ${figure({ mm: kiln.upper[index - 1]?.postMm ?? 0 })}`;
	const clear = tiersOf(kilnShelvesOf(kiln), of)[index]?.clearHeightMm ?? 0;
	return `${shelfWords(index, of)}${under}; ${figure({ mm: clear })} free over it`;
}

function Positions({ pieces, of }: Pick<LoadSheetView, "pieces"> & { of: number }) {
	const figure = useFigure();
	return (
		<section>
			<h2 className="font-bold">In this order, from the far side</h2>
			<table className="w-full text-left">
				<thead>
					<tr className="border-b border-black">
						<th className="pr-2">№</th>
						<th>piece</th>
						{of > 1 && <th className="pl-2">on</th>}
						<th className="pl-2 text-right">from left</th>
						<th className="pl-2 text-right">from near side</th>
						<th className="pl-2 text-right">turned</th>
					</tr>
				</thead>
				<tbody>
					{pieces.map(({ id, code, student, place }, i) => (
						<tr key={id} className="break-inside-avoid border-b border-black/25">
							<td className="figure pr-2">{i + 1}</td>
							<td>
								<b className="figure">{code}</b> {student}
							</td>
							{of > 1 && <td className="pl-2">{shelfWords(place.shelf, of)}</td>}
							<td className="figure text-right">{figure({ mm: place.xMm })}</td>
							<td className="figure text-right">{figure({ mm: place.yMm })}</td>
							<td className="figure text-right">{place.turnDeg === 0 ? "–" : `${Math.round(place.turnDeg)}°`}</td>
						</tr>
					))}
				</tbody>
			</table>
			<p className="text-[12px]">Measured to the middle of each piece.</p>
		</section>
	);
}

/** What lies under the glass: posts of shelves above, moulds, paper, fibre, and the state of the shelf. */
function Under({ view: { firing, pieces, shelves }, of }: { view: LoadSheetView; of: number }) {
	const figure = useFigure();
	const posts = firing.kiln.fixtures.filter(({ kind }) => kind === "post").length;
	const moulds = new Map<string, number>();
	for (const { mould } of pieces) if (mould) moulds.set(mould, (moulds.get(mould) ?? 0) + 1);
	const onPaper = pieces.filter(({ needsPaper }) => needsPaper);
	const upsideDown = pieces.filter(({ body }) => body?.turnedOver);
	return (
		<section className="break-inside-avoid">
			<h2 className="font-bold">Under the glass</h2>
			<ul>
				{firing.kiln.upper.slice(0, of - 1).map(({ postMm }, i) => (
					<li key={i}>
						☐ <b className="figure">{posts}</b> posts of {figure({ mm: postMm })} under the {shelfWords(i + 1, of)}:
						upright, over each other, the shelf does not rock
					</li>
				))}
				{[...moulds].map(([name, n]) => (
					<li key={name}>
						☐ <b className="figure">{n}</b> × mould {name}: fresh wash or paper, vent open, piece centred
					</li>
				))}
				{upsideDown.length > 0 && (
					<li className="text-xl font-bold">
						☐ upside down:{" "}
						{upsideDown.length === pieces.length ? "all of them" : upsideDown.map(({ code }) => code).join(", ")}
					</li>
				)}
				{onPaper.length > 0 && (
					<li>
						☐ paper under{" "}
						{onPaper.length === pieces.length ? "all of them" : onPaper.map(({ code }) => code).join(", ")}: opaque
						glass picks up wash
					</li>
				)}
				{shelves.map(({ name, release, usesSince }) => (
					<li key={name}>
						☐ shelf {name}: {release}, {counted(usesSince, "firing")} since it was renewed
					</li>
				))}
				<li>☐ fibre under metal and under tips that reach over nothing, as the kit sheet says</li>
				<li>☐ nothing touches; nothing over the dotted line</li>
			</ul>
		</section>
	);
}
