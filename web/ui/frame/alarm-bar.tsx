import type { AlarmBrief } from "@contract/kilns";
import { ALARM_WORDS } from "@core/kiln/watch";
import { phraseText } from "@core/units/phrase";
import { clockNear } from "@formats/time";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";

/** One alarm: what is wrong, since when, and that somebody has seen it. */
export function AlarmLine({ alarm }: { alarm: AlarmBrief }) {
	const { units, timeZone } = usePrefs();
	const nowMs = useNow(60);
	const see = useAct("seeAlarm");
	const now = new Date(nowMs);
	return (
		<div role="alert" className="flex items-center gap-4 border-l-4 border-error bg-error/8 px-3 py-1.5">
			<p className="min-w-0 grow leading-snug">
				<b className="text-error">
					{alarm.kiln}: {ALARM_WORDS[alarm.kind]}
				</b>{" "}
				<span className="figure text-soft">
					since {clockNear(alarm.startedAt, now, timeZone)}
					{alarm.endedAt && `, over at ${clockNear(alarm.endedAt, now, timeZone)}`}
					{alarm.seenBy && `, seen by ${alarm.seenBy.split(" ")[0]}`}
				</span>
				<span className="block">{phraseText(alarm.sentence, units)}</span>
			</p>
			<span className="max-w-44 text-[12.5px] leading-tight text-soft max-lg:hidden">
				An alarm on a screen protects nothing: an independent cut-out does.
			</span>
			{alarm.seenAt === null && (
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={see.isPending}
					onClick={() => see.mutate({ alarmId: alarm.id })}
				>
					Seen
				</button>
			)}
		</div>
	);
}

const SHOWN = 2;

interface Props {
	alarms: readonly AlarmBrief[];
	/** Sentences about the house itself. */
	house: readonly string[];
}

/** On every screen: alarms of running firings that nobody has seen or that still go on, and what is wrong with the house. */
export function AlarmBar({ alarms, house }: Props) {
	const sorted = [...alarms].sort((a, b) => Number(a.seenAt !== null) - Number(b.seenAt !== null));
	if (sorted.length === 0 && house.length === 0) return <div />;
	return (
		<section aria-label="Alarms" className="no-print flex flex-col gap-px border-b-2 border-error bg-base-100">
			{house.map((sentence) => (
				<p
					key={sentence}
					role="alert"
					className="border-l-4 border-error bg-error/8 px-3 py-1.5 font-semibold text-error"
				>
					{sentence}
				</p>
			))}
			{sorted.slice(0, SHOWN).map((alarm) => (
				<AlarmLine key={alarm.id} alarm={alarm} />
			))}
			{sorted.length > SHOWN && (
				<p className="px-3 py-1 text-[12.5px] text-soft">{sorted.length - SHOWN} more on the firing’s page.</p>
			)}
		</section>
	);
}
