import type { StationCount } from "@contract/studio";
import type { Station } from "@core/studio/stations";
import { longDay } from "@formats/time";
import { BookOpen, CalendarDays, CircleHelp } from "lucide-react";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { ASK_HELP } from "./ask-help";
import { Finder } from "./finder";
import type { Frame } from "./frame";
import { PersonMenu } from "./person-menu";
import { railCounts } from "./rail-counts";

export const STATION_WORDS: Record<Station, string> = {
	kits: "Kits",
	cut: "Cut",
	bench: "Bench",
	dry: "Dry",
	load: "Load",
	fire: "Fire",
	open: "Open",
	handOver: "Hand over",
};

export const STATION_PATHS: Record<Station, string> = {
	kits: "/kits",
	cut: "/cut",
	bench: "/bench",
	dry: "/dry",
	load: "/load",
	fire: "/fire",
	open: "/open",
	handOver: "/hand-over",
};

const MOST_SLIPS = 16;

/** The journey from left to right: one long shelf on which each station's glass stands on edge, a slip a piece. */
export function Rail({ frame, station }: { frame: Frame; station: Station | null }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const counts = railCounts(frame, new Date(nowMs), timeZone);
	return (
		<header className="no-print grid grid-cols-[auto_1fr_auto] items-stretch gap-x-3 bg-base-100 pr-2 pl-5 max-lg:gap-x-2 max-lg:pl-3">
			<a href="/" className="flex flex-col justify-center" aria-current={station === null ? "page" : undefined}>
				<span className="text-xl leading-tight font-extrabold tracking-tight max-lg:w-14 max-lg:text-base max-lg:leading-none">
					Zephyr Flats
				</span>
				<span className="text-[12.5px] text-soft max-lg:hidden">{longDay(new Date(nowMs), timeZone)}</span>
			</a>
			<nav
				aria-label="Stations"
				className="grid grid-cols-[repeat(7,minmax(0,1fr))_minmax(0,1.35fr)] border-b-[7px] border-primary"
			>
				{(Object.keys(STATION_WORDS) as Station[]).map((name, i) => (
					<StationLink key={name} name={name} keyNumber={i + 1} count={counts[name]} here={name === station} />
				))}
			</nav>
			<div className="flex items-center gap-0.5">
				<Finder />
				<a href="/classes" className="btn btn-ghost btn-sm gap-1 px-1.5 font-normal" aria-label="Classes and students">
					<CalendarDays size={17} aria-hidden="true" />
					<span className="max-xl:sr-only">Classes</span>
				</a>
				<a
					href="/books"
					className="btn btn-ghost btn-sm gap-1 px-1.5 font-normal"
					aria-label="Books: glass, families, moulds, samples"
				>
					<BookOpen size={17} aria-hidden="true" />
					<span className="max-xl:sr-only">Books</span>
				</a>
				<button
					type="button"
					className="btn btn-ghost btn-sm px-1.5"
					aria-label="Help: what this is for, and its keys"
					title="Help (?)"
					onClick={() => dispatchEvent(new Event(ASK_HELP))}
				>
					<CircleHelp size={17} aria-hidden="true" />
				</button>
				<PersonMenu person={frame.person} />
			</div>
		</header>
	);
}

function StationLink({
	name,
	keyNumber,
	count,
	here,
}: {
	name: Station;
	keyNumber: number;
	count: StationCount;
	here: boolean;
}) {
	return (
		<a
			href={STATION_PATHS[name]}
			aria-current={here ? "page" : undefined}
			aria-keyshortcuts={String(keyNumber)}
			className={`group flex min-w-0 flex-col justify-end px-2 pt-1.5 max-lg:px-1 ${here ? "bg-pick text-secondary" : "hover:bg-base-200"}`}
		>
			<span className="flex items-baseline gap-1.5 max-lg:gap-1">
				<span className="truncate text-[15px] font-bold max-lg:text-[12px]">{STATION_WORDS[name]}</span>
				<span
					className={`figure text-[15px] font-bold max-lg:text-[12.5px] ${count.late > 0 ? "text-error" : "text-base-content"}`}
				>
					{count.count}
				</span>
			</span>
			<span className="truncate text-[12px] leading-tight text-soft">
				{count.late > 0 ? <b className="font-bold text-error">{count.late} late</b> : count.line}
			</span>
			<Slips count={count} />
		</a>
	);
}

/** Glass standing on edge: how much waits, and how much of it is late (taller and red). */
function Slips({ count: { count, late } }: { count: StationCount }) {
	const shown = Math.min(count, MOST_SLIPS);
	return (
		<svg width="100%" height="13" aria-hidden="true" className="mt-0.5 block">
			{Array.from({ length: shown }, (_, i) => {
				const isLate = i < late;
				const height = isLate ? 13 : 8 + ((i * 7) % 4);
				return (
					<rect
						key={i}
						x={i * 6}
						y={13 - height}
						width="3.4"
						height={height}
						className={isLate ? "fill-error" : i % 3 === 0 ? "fill-secondary/75" : "fill-secondary/45"}
					/>
				);
			})}
		</svg>
	);
}
