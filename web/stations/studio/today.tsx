import type { TodayLine } from "@contract/today";
import { clockNear, dayWords } from "@formats/time";
import { help } from "../../help/today";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed } from "../../ui/frame/framed";

/** Three lists with times: what to do now, what the glass makes wait, what was promised. */
export default framed("today", null, help, ({ view }) => (
	<div className="grid h-full min-h-0 grid-cols-[1.25fr_1fr_1.1fr] max-md:block">
		<List
			title="Do now"
			empty="Nothing presses. Plan the next kit, or oil the glass cutter."
			lines={view.doNow}
			strong
		/>
		<List title="Waiting on glass" empty="No glass dries, and none is being fired." lines={view.waiting} />
		<List title="Promised" empty="No promises are open." lines={view.promised} />
	</div>
));

function List({
	title,
	lines,
	empty,
	strong,
}: {
	title: string;
	lines: readonly (TodayLine & { day?: string })[];
	empty: string;
	strong?: boolean;
}) {
	return (
		<section className="scroll-y h-full border-r border-line px-6 py-4 last:border-r-0">
			<h1 className="mb-2 flex items-baseline justify-between">
				{title}
				<span className="figure text-lg font-semibold text-soft">{lines.length}</span>
			</h1>
			{lines.length === 0 && <p className="text-soft">{empty}</p>}
			<ul className="ruled">
				{lines.map((line) => (
					<Line key={line.key} line={line} strong={strong} />
				))}
			</ul>
		</section>
	);
}

function Line({ line, strong }: { line: TodayLine & { day?: string }; strong?: boolean | undefined }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const now = new Date(nowMs);
	const time = line.at ? clockNear(line.at, now, timeZone) : line.day ? dayWords(line.day, now, timeZone) : null;
	const word = line.urgency === "late" ? "late" : line.urgency === "atRisk" ? "at risk" : null;
	return (
		<li>
			<a href={line.href} className="grid min-h-14 grid-cols-[1fr_auto] items-center gap-x-3 py-2 hover:bg-pick">
				<span className="min-w-0">
					<span className={`block truncate font-bold ${strong ? "text-[1.1rem]" : ""}`}>{line.what}</span>
					<span className="block truncate text-soft">{line.detail}</span>
				</span>
				<span className="text-right whitespace-nowrap">
					{time && <span className={`figure block font-bold ${line.at ? "text-lg" : ""}`}>{time}</span>}
					{word && (
						<span className={`block font-bold ${line.urgency === "late" ? "text-error" : "text-warning"}`}>{word}</span>
					)}
					{strong && <span className="font-semibold text-secondary">{line.action} ›</span>}
				</span>
			</a>
		</li>
	);
}
