import type { CalendarFiring, PlanView } from "@contract/loads";
import { LEVEL_WORDS } from "@core/firing/level";
import type { ShownLoad, ShownPlan } from "@core/loading/plan/shown";
import { counted } from "@core/units/counted";
import { clockNear } from "@formats/time";
import { useNow } from "../../../lib/clock";
import { usePrefs } from "../../../lib/prefs";
import { CalendarGround } from "./calendar-ground";
import { type BarHours, FiringBar, PHASES } from "./firing-bar";
import { BAR, type CalendarFrame, WIDTH } from "./scale";
import type { Held, useDragFiring } from "./use-drag-firing";

interface Props {
	view: PlanView;
	plan: ShownPlan | undefined;
	frame: CalendarFrame;
	drag: ReturnType<typeof useDragFiring>;
	/** A load's key, or an announced firing's id. */
	chosen: string | null;
	/** Of announced firings that may move, by their id. */
	numbers: ReadonlyMap<string, number>;
	onChoose(key: string | null): void;
}

/** All kilns over the days: what runs and was announced, and what the plan proposes, each with its phases. */
export function Calendar({ view, plan, frame, drag, chosen, numbers, onChoose }: Props) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { kilns, booked, there } = view;
	const row = (kilnId: string) => kilns.findIndex(({ id }) => id === kilnId);
	const inSight = (one: { startMs: number }) => one.startMs < frame.toMs;
	return (
		<figure className="min-w-0">
			<svg
				viewBox={`0 0 ${WIDTH} ${frame.height}`}
				className="block w-full touch-pan-y select-none"
				role="group"
				aria-label="Kilns over the coming days"
			>
				<CalendarGround {...{ frame, there, kilns, nowMs }} closed={view.closed} />
				{(plan?.loads ?? []).filter(inSight).map((load) => (
					<Pressable
						key={load.key}
						label={loadLabel(load, kilns[row(load.kilnId)]?.name ?? "", nowMs, timeZone)}
						isChosen={chosen === keyOf(load)}
						onChoose={() => onChoose(chosen === keyOf(load) ? null : keyOf(load))}
					>
						<FiringBar
							frame={frame}
							top={frame.rowTop(row(load.kilnId))}
							hours={load}
							isProposal={load.announcedId === null}
							isChosen={chosen === keyOf(load)}
						/>
						<BarWords frame={frame} at={load} top={frame.rowTop(row(load.kilnId))}>
							{load.announcedId === null
								? `${load.pieceIds.length} ${LEVEL_WORDS[load.level]}`
								: `№ ${numbers.get(load.announcedId)} · ${load.pieceIds.length}`}
						</BarWords>
					</Pressable>
				))}
				{booked
					.map((one) => hoursOf(one, drag.held))
					.filter(({ hours }) => inSight(hours))
					.map(({ firing, hours, isHeld }) => {
						const kiln = isHeld && drag.held ? drag.held.kiln : row(firing.kilnId);
						const top = frame.rowTop(kiln);
						return (
							<Pressable
								key={firing.id}
								label={firingLabel(firing, kilns[kiln]?.name ?? "", hours, nowMs, timeZone)}
								isChosen={chosen === firing.id || isHeld}
								onChoose={() => onChoose(firing.id)}
								isMovable={firing.state === "planned"}
								handlers={firing.state === "planned" ? drag.handlers(firing) : undefined}
							>
								<FiringBar
									frame={frame}
									top={top}
									hours={hours}
									isProposal={false}
									isChosen={chosen === firing.id || isHeld}
								/>
								<BarWords frame={frame} at={hours} top={top}>
									№ {firing.number} · {firing.pieces > 0 ? firing.pieces : firing.what || "bare"}
								</BarWords>
							</Pressable>
						);
					})}
			</svg>
			<Legend />
		</figure>
	);
}

function hoursOf(
	firing: CalendarFiring,
	held: Held | undefined,
): { firing: CalendarFiring; hours: BarHours; isHeld: boolean } {
	const isHeld = held?.id === firing.id;
	const by = isHeld ? held.startMs - firing.from : 0;
	return {
		firing,
		isHeld,
		hours: {
			startMs: firing.from + by,
			peakMs: firing.peakMs + by,
			soakMs: firing.soakMs + by,
			doneMs: firing.doneMs + by,
			coolMs: firing.coolMs + by,
		},
	};
}

function Pressable(props: {
	label: string;
	isChosen: boolean;
	onChoose(): void;
	isMovable?: boolean;
	handlers?: React.DOMAttributes<SVGGElement> | undefined;
	children: React.ReactNode;
}) {
	const { onKeyDown, ...handlers } = props.handlers ?? {};
	return (
		<g
			role="button"
			tabIndex={0}
			aria-label={props.label}
			aria-pressed={props.isChosen}
			className={props.isMovable ? "cursor-grab touch-none" : "cursor-pointer"}
			{...handlers}
			onClick={props.onChoose}
			onKeyDown={(event) => {
				onKeyDown?.(event);
				if (!event.defaultPrevented && (event.key === "Enter" || event.key === " ")) {
					event.preventDefault();
					props.onChoose();
				}
			}}
		>
			{props.children}
		</g>
	);
}

/** Under its bar; cut where the bar of the next begins is for the eye to see, so it is short. */
const BarWords = ({
	frame,
	at,
	top,
	children,
}: {
	frame: CalendarFrame;
	at: { startMs: number };
	top: number;
	children: React.ReactNode;
}) => (
	<text x={frame.x(at.startMs)} y={top + BAR + 16} className="figure fill-base-content text-[12px] font-semibold">
		{children}
	</text>
);

/** What is chosen with a load: itself, or the announced firing that it is. */
const keyOf = ({ key, announcedId }: ShownLoad): string => announcedId ?? key;

const loadLabel = (load: ShownLoad, kiln: string, nowMs: number, zone: string) =>
	`${load.announcedId ? "As announced" : "Proposed"}: ${counted(load.pieceIds.length, "piece")}, ${LEVEL_WORDS[load.level]}, ${kiln}, starts ${clockNear(new Date(load.startMs), new Date(nowMs), zone)}`;

const firingLabel = (firing: CalendarFiring, kiln: string, hours: BarHours, nowMs: number, zone: string) =>
	`Firing ${firing.number}, ${firing.state === "running" ? "running" : "announced"}, ${counted(firing.pieces, "piece")}, ${kiln}, ${firing.state === "running" ? "started" : "starts"} ${clockNear(new Date(hours.startMs), new Date(nowMs), zone)}`;

const Legend = () => (
	<figcaption className="flex flex-wrap gap-x-4 gap-y-1 pt-1 text-[13px] text-soft">
		{PHASES.map(({ name, className }) => (
			<span key={name} className="flex items-center gap-1.5">
				<svg width="16" height="10" aria-hidden="true">
					<rect width="16" height="10" className={className} />
				</svg>
				{name}
			</span>
		))}
		<span className="flex items-center gap-1.5">
			<svg width="16" height="10" aria-hidden="true">
				<rect width="16" height="10" className="fill-base-content/15" />
			</svg>
			nobody here
		</span>
		<span>line at the end: open not before · dashed: proposed, not announced · an announced firing can be dragged</span>
	</figcaption>
);
