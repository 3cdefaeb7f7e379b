import type { KilnCell, KilnsView } from "@contract/kilns";
import { phraseText } from "@core/units/phrase";
import { dayAndClock } from "@formats/time";
import { Trouble } from "../../forms/notice";
import { help } from "../../help/kilns";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { HeatGlow, KilnHeatFigure } from "../../ui/kiln-heat";
import { LazyImport } from "../../ui/lazy-import";
import { outOfServiceWords } from "../../ui/out-of-service-words";
import { useAway } from "../../ui/put-away";
import { sizeWords } from "../../ui/size-words";
import { FireNav } from "../firings/fire-nav";
import { newKiln } from "./new-kiln";
import { ShelfOutline } from "./shelf-outline";
import { UpkeepLine } from "./upkeep-line";

export default framed("kilns", "fire", help, KilnList);

const LINE_WORDS = { standIn: "stand-in, Modbus TCP", modbus: "Modbus TCP", folder: "folder of logs" } as const;

/** Every kiln with its shelf to one scale, what it needs next, and how it is read. */
function KilnList({ view, frame }: StationProps<"kilns">) {
	const add = useAct("saveKiln", ({ kilnId }) => location.assign(`/fire/kilns/${kilnId}`));
	const { listed, toggle } = useAway(view.kilns);
	const widest = Math.max(...view.kilns.map(({ card }) => card.shelfWidthMm), 300);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<FireNav here="/fire/kilns">
				{toggle}
				{frame.person.role === "instructor" && (
					<button
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={add.isPending}
						onClick={() => add.send((id) => ({ kiln: newKiln(id(), `Kiln ${view.kilns.length + 1}`), revision: 0 }))}
					>
						Add a kiln
					</button>
				)}
			</FireNav>
			<div className="scroll-y min-h-0 grow px-6 py-4">
				<Trouble error={add.error} />
				<ul className="ruled max-w-5xl">
					{listed.map((one) => (
						<KilnRow key={one.id} kiln={one} widest={widest} cell={frame.kilns.find(({ id }) => id === one.id)} />
					))}
				</ul>
				{frame.person.role === "instructor" && (
					<div className="mt-5 max-w-md">
						<LazyImport
							label="Take a list as CSV …"
							load={async () => (await import("./kiln-import")).default}
							with={{ known: view.kilns }}
						/>
					</div>
				)}
			</div>
		</div>
	);
}

function KilnRow(props: { kiln: KilnsView["kilns"][number]; cell: KilnCell | undefined; widest: number }) {
	const { id, name, kind, card, retired, uses, upkeep, elements, lastFired } = props.kiln;
	const figure = useFigure();
	const { timeZone, units } = usePrefs();
	const nowMs = useNow(60);
	const block = kind === "microwaveBlock";
	const made = block ? "microwave block" : card.doorSide === "top" ? "electric, lid on top" : "electric, door in front";
	return (
		<li>
			<a
				href={`/fire/kilns/${id}`}
				className="grid min-h-32 grid-cols-[150px_1.2fr_1fr_1.2fr] items-center gap-6 py-3 hover:bg-base-100 max-lg:grid-cols-[120px_1fr]"
			>
				<ShelfOutline kiln={card} widthPx={(140 * card.shelfWidthMm) / props.widest} />
				<span>
					<b className="block text-lg">{name}</b>
					<span className="text-soft">
						<span className="block">{made}</span>
						<span className="block">
							shelf {sizeWords([card.shelfWidthMm, card.shelfHeightMm], figure)}, {figure({ mm: card.clearHeightMm })}{" "}
							clear
						</span>
						{(card.body.powerW / 1000).toFixed(1)} kW, up to {figure({ c: card.maxC })}
					</span>
				</span>
				<span>
					{!block && props.cell && (
						<span className="flex items-center gap-2">
							<HeatGlow heat={props.cell.heat} className="h-7 w-3" />
							<span>
								<KilnHeatFigure heat={props.cell.heat} className="text-2xl" soft="text-soft" />
							</span>
						</span>
					)}
					<span className="text-soft">
						{props.cell && phraseText(props.cell.phase, units)}
						{retired && <b className="block">put away</b>}
						{card.outOfService && (
							<b className="block text-warning">{outOfServiceWords(card.outOfService, nowMs, timeZone)}</b>
						)}
						<span className="block">{card.line ? LINE_WORDS[card.line] : "no line"}</span>
					</span>
				</span>
				<span className="text-soft">
					<b className="figure text-base-content">{uses}</b> firings
					{lastFired && `, last ${dayAndClock(lastFired, timeZone)}`}
					{!block && (
						<span className="block">
							elements {elements.firings} of about {elements.dueFirings}
						</span>
					)}
					{upkeep && <UpkeepLine what={upkeep.what} left={upkeep.left} />}
				</span>
			</a>
		</li>
	);
}
