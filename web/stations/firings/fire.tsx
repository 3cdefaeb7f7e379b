import type { FiringCard } from "@contract/firings";
import { LEVEL_WORDS } from "@core/firing/level";
import { counted } from "@core/units/counted";
import { clockNear } from "@formats/time";
import { useState } from "react";
import { Empty } from "../../forms/notice";
import { help } from "../../help/fire";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { LevelGlyph } from "../../ui/signs";
import { FireNav } from "./fire-nav";
import { FiringBench } from "./firing-bench";

export default framed("fire", "fire", help, Fire);

const STATE_LINE = { planned: "to start", running: "hot", opened: "opened", cancelled: "called off" } as const;
const ORDER = { planned: 0, running: 1, opened: 2, cancelled: 3 } as const;

/** Of planned ones the next to be started first; those without an hour before all. */
const startOrder = (a: FiringCard, b: FiringCard): number =>
	a.state === "planned" && b.state === "planned" ? (a.startsAt ?? "").localeCompare(b.startsAt ?? "") : 0;

/** Planned and running firings: what the glass becomes, the curve that serves it, and the kiln as it is. */
function Fire({ view, frame, params }: StationProps<"fire">) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const [chosenId, setChosenId] = useState<string | null>(params.firing ?? null);
	const sorted = view.firings
		.filter(({ state }) => state !== "cancelled")
		.sort((a, b) => ORDER[a.state] - ORDER[b.state] || startOrder(a, b) || b.number - a.number);
	const firing = sorted.find(({ id }) => id === chosenId) ?? sorted[0];
	return (
		<div className="flex h-full min-h-0 flex-col">
			<FireNav here="/fire" />
			{firing ? (
				<div className="grid min-h-0 grow grid-cols-[230px_minmax(0,1fr)_320px] max-lg:block max-lg:overflow-y-auto">
					<section aria-label="Firings" className="scroll-y border-r border-line py-3">
						<ul>
							{sorted.map((one) => (
								<li key={one.id} className="border-b border-line">
									<button
										type="button"
										aria-pressed={one.id === firing.id}
										className={`flex min-h-14 w-full items-center gap-3 px-4 py-2 text-left ${one.id === firing.id ? "bg-pick" : "hover:bg-base-100"}`}
										onClick={() => setChosenId(one.id)}
									>
										<LevelGlyph level={one.level} label={false} />
										<span className="min-w-0">
											<b className="block truncate">
												<span className="figure">{one.number}</span> {one.kiln.name}
											</b>
											<span className="block truncate text-soft">
												<span
													className={
														one.state === "planned" || one.state === "running" ? "font-semibold text-base-content" : ""
													}
												>
													{STATE_LINE[one.state]}
													{one.state === "planned" && one.startsAt && (
														<> {clockNear(one.startsAt, new Date(nowMs), timeZone)}</>
													)}
												</span>
												, {LEVEL_WORDS[one.level]},{" "}
												{one.pieces.length === 0 ? one.what || "nothing in it" : counted(one.pieces.length, "piece")}
											</span>
										</span>
									</button>
								</li>
							))}
						</ul>
					</section>
					<FiringBench key={firing.id} firing={firing} frame={frame} />
				</div>
			) : (
				<Empty title="No firing is planned">
					Accept a load first, and it appears here with its schedule. Or plan a bare firing, for tests or dots, from a{" "}
					<a className="underline" href="/fire/schedule">
						schedule
					</a>
					.
				</Empty>
			)}
		</div>
	);
}
