import { PLAN_NAMES, PLAN_WORDS, type PlanName } from "@core/loading/plan/weights";
import { counted } from "@core/units/counted";
import type { Plans } from "./use-plan";

/** Three plans with names, side by side: what each is worth in a line. */
export function PlanCards({
	plans,
	chosen,
	onChoose,
}: {
	plans: Plans;
	chosen: PlanName;
	onChoose(name: PlanName): void;
}) {
	return (
		<div role="group" aria-label="Plans" className="grid grid-cols-3 overflow-hidden rounded-box border border-line">
			{PLAN_NAMES.map((name) => {
				const figures = plans[name]?.figures;
				const isChosen = name === chosen;
				return (
					<button
						key={name}
						type="button"
						aria-pressed={isChosen}
						className={`min-h-14 border-b-[3px] px-3 py-2 text-left not-first:border-l not-first:border-l-line ${isChosen ? "border-b-secondary bg-pick" : "border-b-transparent bg-base-100 hover:bg-base-200"}`}
						onClick={() => onChoose(name)}
					>
						<b className="block">{PLAN_WORDS[name]}</b>
						<span className="figure block text-[13px] text-soft">
							{figures ? (
								<>
									{counted(figures.firings, "firing")},{" "}
									<Promises broken={figures.broken.length} all={figures.promises} left={figures.left.length} />,{" "}
									{Math.round(figures.kwh)} kWh
									{figures.moved.length > 0 && `, ${figures.moved.length} moved`}
								</>
							) : (
								"being planned …"
							)}
						</span>
					</button>
				);
			})}
		</div>
	);
}

function Promises({ broken, all, left }: { broken: number; all: number; left: number }) {
	if (broken > 0) return <b className="text-error">{counted(broken, "promise")} broken</b>;
	if (left > 0) return <b className="text-error">{left} left out</b>;
	return all > 0 ? <b className="text-base-content">all promises kept</b> : <>nothing promised</>;
}
