import type { PlanView } from "@contract/loads";
import type { ShownHelp, ShownPlan } from "@core/loading/plan/shown";
import { WISHES } from "@core/loading/plan/wishes";
import { counted } from "@core/units/counted";
import { clock, dayOf, dayWords } from "@formats/time";
import { useNow } from "../../../lib/clock";
import { useFigure, usePrefs } from "../../../lib/prefs";
import { WISH_WORDS } from "../../../ui/wish-words";
import { spareWords, WHY_WORDS } from "./plan-words";

interface Props {
	view: PlanView;
	plan: ShownPlan;
}

/** What a plan means: when the last piece is home, promises by name, what would help. */
export function Meaning({ view, plan }: Props) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { figures, homeMs } = plan;
	const day = (ms: number) => dayWords(dayOf(new Date(ms), timeZone), new Date(nowMs), timeZone);
	const home = Object.keys(homeMs).length;
	const tight = view.pieces
		.flatMap((piece) => {
			const at = homeMs[piece.id];
			return at !== undefined && piece.promisedMs !== null ? [{ piece, spare: piece.promisedMs - at }] : [];
		})
		.filter(({ spare }) => spare >= 0)
		.sort((a, b) => a.spare - b.spare)[0];
	return (
		<>
			<p>
				<b className="figure block text-4xl leading-tight">
					{figures.lastHomeMs === null ? "–" : day(figures.lastHomeMs)}
				</b>
				<span className="text-soft">
					{home === 0
						? "nothing can be fired in these two weeks"
						: home === 1
							? "it is home"
							: `the last of the ${home} is home`}
				</span>
			</p>
			<dl className="ruled">
				<Line what="promises kept">
					<b className={figures.broken.length > 0 ? "text-error" : ""}>
						{figures.promises - figures.broken.length} of {figures.promises}
					</b>
					{plan.atLeast.broken > 0 && (
						<span className="block text-[13px] text-soft">
							no plan keeps more than {figures.promises - plan.atLeast.broken}
						</span>
					)}
				</Line>
				{tight && (
					<Line what={<>tightest: {tight.piece.student?.split(" ")[0] ?? tight.piece.code}</>}>
						<b>{spareWords(tight.spare)} to spare</b>
					</Line>
				)}
				<Line what="firings, shelves filled">
					<b>
						{figures.firings}, {Math.round(figures.fill * 100)} %
					</b>
					{plan.atLeast.firings < figures.firings && (
						<span className="block text-[13px] text-soft">no plan does with fewer than {plan.atLeast.firings}</span>
					)}
				</Line>
				<Line what="annealed beyond need">
					<b>{Math.round(figures.overAnnealH)} h</b>
				</Line>
				{view.announced && (
					<Line what="moved against what was announced">
						<b>{figures.moved.length === 0 ? "none" : counted(figures.moved.length, "piece")}</b>
					</Line>
				)}
				<Line what="somebody has to be here">
					<b>{counted(2 * figures.firings, "time")}</b>
				</Line>
			</dl>
			<p>
				<a className="underline" href="/load">
					Lay a load by hand instead
				</a>
			</p>
			<Wishes view={view} />
			{plan.help.length > 0 && (
				<section aria-label="Would help">
					<h3 className="font-semibold text-soft">Would help</h3>
					<ul className="ruled">
						{plan.help.map((help) => (
							<HelpLine key={JSON.stringify(help)} help={help} view={view} day={day} />
						))}
					</ul>
				</section>
			)}
			<Broken view={view} plan={plan} day={day} />
		</>
	);
}

/** Where the studio weighs otherwise than usual, it is said. */
function Wishes({ view }: { view: PlanView }) {
	const own = WISHES.filter((wish) => view.wishes[wish] !== "usual");
	return (
		<p className="text-soft">
			{own.length === 0
				? "Weighed as usual: promises first. "
				: `Weighed your way: ${own.map((wish) => `${WISH_WORDS[wish].short} ${view.wishes[wish]}`).join(", ")}. `}
			<a className="underline" href="/settings?tab=wishes">
				What matters here
			</a>
		</p>
	);
}

const Line = ({ what, children }: { what: React.ReactNode; children: React.ReactNode }) => (
	<div className="flex justify-between gap-3 py-1.5">
		<dt>{what}</dt>
		<dd className="figure text-right">{children}</dd>
	</div>
);

function Broken({ view, plan, day }: Props & { day(ms: number): string }) {
	const of = (id: string) => view.pieces.find((piece) => piece.id === id);
	const { broken, left } = plan.figures;
	const late = broken.filter((id) => !left.includes(id));
	if (late.length + left.length === 0) return null;
	return (
		<section aria-label="Not kept" className="flex flex-col gap-1">
			<h3 className="font-semibold text-error">Not kept</h3>
			<ul className="ruled">
				{late.slice(0, 8).map((id) => (
					<li key={id} className="py-1.5">
						<b className="figure">{of(id)?.code}</b> {of(id)?.student}: promised {day(of(id)?.promisedMs ?? 0)}, home{" "}
						<b>{day(plan.homeMs[id] ?? 0)}</b>
					</li>
				))}
				{late.length > 8 && <li className="py-1.5">and {late.length - 8} more</li>}
				{left.slice(0, 8).map((id) => (
					<li key={id} className="py-1.5">
						<b className="figure">{of(id)?.code}</b> {of(id)?.student}: {WHY_WORDS[plan.why[id] ?? "noDay"]}
					</li>
				))}
				{left.length > 8 && (
					<li className="py-1.5">
						and {left.length - 8} more: there are more pieces than these kilns can take in two weeks
					</li>
				)}
			</ul>
		</section>
	);
}

function HelpLine({ help, view, day }: { help: ShownHelp; view: PlanView; day(ms: number): string }) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const piece = "pieceId" in help ? view.pieces.find(({ id }) => id === help.pieceId) : undefined;
	if (help.kind === "open")
		return (
			<HelpRow
				what={
					<>
						open on {day(help.fromMs)}, {clock(new Date(help.fromMs), timeZone)} to{" "}
						{clock(new Date(help.toMs), timeZone)}
					</>
				}
			>
				{gainWords(help)}
			</HelpRow>
		);
	if (help.kind === "mould") {
		const name = view.pieces.flatMap(({ route }) => route).find(({ mould }) => mould?.id === help.mouldId)?.mould?.name;
		return <HelpRow what={<>one more “{name}”</>}>{gainWords(help)}</HelpRow>;
	}
	if (help.kind === "leaveOut")
		return (
			<HelpRow
				what={
					<>
						leave out <b className="figure">{piece?.code}</b>, {figure({ mm: help.thickMm })} thick
					</>
				}
			>
				{help.hours.toFixed(0)} h in {view.kilns.find(({ id }) => id === help.kilnId)?.name}
			</HelpRow>
		);
	return (
		<HelpRow
			what={
				<>
					<b className="figure">{piece?.code}</b> {piece?.student}: tell them, no plan is sooner
				</>
			}
		>
			{day(help.soonestMs)}
		</HelpRow>
	);
}

const gainWords = ({ promises, lastH }: { promises: number; lastH: number }) =>
	promises > 0 ? `${counted(promises, "promise")} kept` : `${spareWords(lastH * 3_600_000)} sooner`;

const HelpRow = ({ what, children }: { what: React.ReactNode; children: React.ReactNode }) => (
	<li className="flex justify-between gap-3 py-1.5">
		<span>{what}</span>
		<b className="figure text-right">{children}</b>
	</li>
);
