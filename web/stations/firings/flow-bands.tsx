import { FUSE_LEVELS, type FuseLevel, LEVEL_BANDS, LEVEL_WORDS, levelOf } from "@core/firing/level";
import { LevelGlyph } from "../../ui/signs";

const [FROM, TO] = [0.004, 60];
const NAMES = FUSE_LEVELS.filter((level) => level !== "firePolish");
const share = (flow: number) => (Math.log(Math.min(TO, Math.max(FROM, flow)) / FROM) / Math.log(TO / FROM)) * 100;

interface Props {
	flow: number;
	/** What was wanted; its band is marked. */
	level: FuseLevel;
	/** How far the glass has come by what was measured. */
	soFar?: number | undefined;
	/** Other places on the shelf. */
	zones?: readonly { name: string; flow: number }[];
	/** Another schedule to compare with. */
	other?: { name: string; flow: number } | undefined;
	onAim?: ((flow: number) => void) | undefined;
}

/** What the glass becomes: where a flow index lies among the levels, on its log scale. The curve serves this. */
export function FlowBands({ flow, level, soFar, zones = [], other, onAim }: Props) {
	const reading = levelOf(flow);
	const reached = reading.level;
	const right = reached === level || (level === "firePolish" && reached === "sinter");
	return (
		<section aria-label="What the glass becomes">
			<p className="mb-1.5 flex flex-wrap items-baseline gap-x-4">
				<span className="text-2xl font-bold">{reached ? <LevelGlyph level={reached} /> : "nothing lasting"}</span>
				<span>
					flow index <b className="figure text-lg">{flow.toFixed(flow < 0.1 ? 3 : 2)}</b>
				</span>
				{reading.next && (
					<span className="text-soft">
						{Math.round(reading.next.share * 100)} % of the way to {LEVEL_WORDS[reading.next.level]}
					</span>
				)}
				{!right && <b className="text-error">wanted: {LEVEL_WORDS[level]}</b>}
			</p>
			<svg
				viewBox="0 0 690 46"
				className={`block w-full ${onAim ? "cursor-pointer" : ""}`}
				role="img"
				aria-label={`Flow index ${flow.toFixed(2)}, ${reached ? LEVEL_WORDS[reached] : "nothing lasting"}${soFar === undefined ? "" : `, so far ${soFar.toFixed(3)}`}`}
				onPointerDown={(event) => {
					if (!onAim) return;
					const box = event.currentTarget.getBoundingClientRect();
					const at = (event.clientX - box.left) / box.width;
					onAim(FROM * (TO / FROM) ** at);
				}}
			>
				{NAMES.map((name, i) => {
					const [x0, x1] = [share(LEVEL_BANDS[name].from) * 6.9, share(Math.min(TO, LEVEL_BANDS[name].to)) * 6.9];
					const wanted = name === level || (level === "firePolish" && name === "sinter");
					return (
						<g key={name}>
							<rect
								x={x0}
								y="10"
								width={x1 - x0}
								height="22"
								className={wanted ? "fill-secondary/35" : i % 2 === 0 ? "fill-base-content/8" : "fill-base-content/15"}
							/>
							<text
								x={(x0 + x1) / 2}
								y="43"
								textAnchor="middle"
								className={`text-[11px] ${wanted ? "fill-base-content font-semibold" : "fill-soft"}`}
							>
								{name === "sinter" ? "sinter, fire polish" : LEVEL_WORDS[name]}
							</text>
						</g>
					);
				})}
				{soFar !== undefined && <rect x="0" y="25" width={share(soFar) * 6.9} height="7" className="fill-accent" />}
				{zones.map((zone) => (
					<g key={zone.name}>
						<title>{`${zone.name}: ${zone.flow.toFixed(2)}`}</title>
						<path d={`M${share(zone.flow) * 6.9} 18V32`} className="stroke-base-content/60" strokeWidth="2" />
					</g>
				))}
				{other && (
					<path
						d={`M${share(other.flow) * 6.9} 10V32`}
						className="stroke-base-content/60"
						strokeWidth="2"
						strokeDasharray="4 3"
					/>
				)}
				<path d={`M${share(flow) * 6.9} 4V34`} className="stroke-base-content" strokeWidth="3" />
				<path d={`M${share(flow) * 6.9 - 5} 1h10l-5 8z`} className="fill-base-content" />
			</svg>
		</section>
	);
}
