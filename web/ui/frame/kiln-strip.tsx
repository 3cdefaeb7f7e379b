import type { KilnCell } from "@contract/kilns";
import type { Curve } from "@core/firing/curve";
import { LEVEL_WORDS } from "@core/firing/level";
import { counted } from "@core/units/counted";
import { phraseText } from "@core/units/phrase";
import { clockNear } from "@formats/time";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { oldAnswer, oldReading } from "../../lib/staleness";
import { HeatGlow, KilnHeatFigure } from "../kiln-heat";

/** The instrument along the bottom: what every kiln is doing. Its only colour is the glow of that temperature. */
export function KilnStrip({ kilns, heardAtMs }: { kilns: readonly KilnCell[]; heardAtMs: number }) {
	useNow();
	// By the browser's own clock: both instants are its own.
	const answeredAgoS = heardAtMs === 0 ? 0 : Math.max(0, (Date.now() - heardAtMs) / 1000);
	const unheard = oldAnswer(answeredAgoS);
	return (
		<section
			aria-label="Kilns"
			className="no-print flex min-h-[60px] overflow-x-auto bg-[oklch(25%_0.035_172)] text-[oklch(93%_0.012_160)]"
		>
			{unheard && (
				<p
					role="status"
					className="flex w-28 shrink-0 items-center bg-error px-3 font-bold leading-tight text-error-content"
				>
					Not heard since {unheard}
				</p>
			)}
			{kilns.map((cell) => (
				<Cell key={cell.id} cell={cell} answeredAgoS={answeredAgoS} />
			))}
		</section>
	);
}

function Cell({ cell, answeredAgoS }: { cell: KilnCell; answeredAgoS: number }) {
	const { timeZone, units } = usePrefs();
	const nowMs = useNow(60);
	const { firing } = cell;
	const old = oldReading(cell.readAgoS, answeredAgoS, firing?.startedAt != null);
	const block = cell.kind === "microwaveBlock";
	const dim = "text-[12.5px] leading-tight text-[oklch(80%_0.02_165)]";
	return (
		<a
			href={firing ? `/fire?firing=${firing.id}` : block ? "/fire/microwave" : `/fire/kilns/${cell.id}`}
			className={`flex items-center overflow-hidden gap-3 border-r border-[oklch(38%_0.03_168)] pr-4 last:border-r-0 max-lg:gap-2 max-lg:pr-2 ${firing ? "min-w-80 grow-[2] basis-0 max-lg:min-w-64" : "min-w-48 grow basis-0 max-lg:min-w-40"}`}
		>
			{block ? <span className="w-1.5 shrink-0" /> : <HeatGlow heat={cell.heat} className="h-full w-3.5 shrink-0" />}
			<span className="min-w-14 max-w-44 shrink max-lg:max-w-26">
				<b className="block truncate font-semibold">{cell.name}</b>
				<span className={`${dim} block truncate`}>
					{block ? `microwave block, ${cell.uses} uses` : inItWords(firing)}
				</span>
				{cell.isClosed && <b className={`${dim} block truncate font-bold text-[oklch(82%_0.14_75)]`}>out of service</b>}
			</span>
			{firing?.startedAt && (
				<TimeLine id={firing.id} plan={firing.plan} elapsedS={firing.elapsedS} totalS={firing.totalS} />
			)}
			{!block && (
				<span className="ml-auto max-w-40 shrink-0 text-right leading-tight tracking-tight">
					<KilnHeatFigure
						heat={cell.heat}
						className="text-2xl font-semibold"
						soft={dim}
						age={
							old ? (
								<b className="block text-[12.5px] font-bold tracking-normal text-[oklch(82%_0.14_75)]">read {old}</b>
							) : null
						}
					/>
				</span>
			)}
			{firing && (
				<span className={`${dim} w-44 min-w-20 shrink-[3] max-lg:hidden`}>
					<span className="block truncate">
						{phraseText(cell.phase, units)}
						{firing.speedUp > 1 && <b className="ml-1 font-bold text-[oklch(82%_0.14_75)]">clock ×{firing.speedUp}</b>}
					</span>
					{firing.openAt && cell.state !== "canOpen" && cell.state !== "toRead" && (
						<span className="block truncate">
							open not before{" "}
							<b className="figure font-bold text-white">{clockNear(firing.openAt, new Date(nowMs), timeZone)}</b>
						</span>
					)}
					{cell.state === "canOpen" && <b className="block font-bold text-white">may be opened</b>}
				</span>
			)}
		</a>
	);
}

const inItWords = (firing: KilnCell["firing"]): string =>
	firing
		? [firing.pieces > 0 && counted(firing.pieces, "piece"), LEVEL_WORDS[firing.level]].filter(Boolean).join(", ")
		: "empty";

/** The plan as a line, the part already done thicker. */
function TimeLine({ id, plan, elapsedS, totalS }: { id: string; plan: Curve; elapsedS: number; totalS: number }) {
	const [w, h] = [220, 34];
	const top = Math.max(...plan.map(({ c }) => c));
	const end = Math.max(totalS, plan.at(-1)?.s ?? 1);
	const x = (s: number) => (s / end) * w;
	const y = (c: number) => h - 2 - (c / top) * (h - 6);
	const path = `M${plan.map(({ s, c }) => `${x(s).toFixed(1)} ${y(c).toFixed(1)}`).join("L")}L${w} ${h - 2}`;
	const now = Math.min(w, x(elapsedS));
	return (
		<svg
			viewBox={`0 0 ${w} ${h}`}
			preserveAspectRatio="none"
			className="hidden h-9 w-0 min-w-6 grow md:block"
			aria-hidden="true"
		>
			<path d={path} fill="none" stroke="oklch(62% 0.03 165)" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
			<clipPath id={`done-${id}`}>
				<rect width={now} height={h} />
			</clipPath>
			<path
				d={path}
				fill="none"
				stroke="oklch(93% 0.012 160)"
				strokeWidth="2.6"
				vectorEffect="non-scaling-stroke"
				clipPath={`url(#done-${id})`}
			/>
			<path d={`M${now} 0V${h}`} stroke="oklch(93% 0.012 160)" strokeWidth="1" vectorEffect="non-scaling-stroke" />
		</svg>
	);
}
