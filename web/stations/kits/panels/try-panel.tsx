import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import type { KitReading } from "@core/stack/read-kit";
import type { Trial } from "@core/stack/survey";
import { useEffect, useState } from "react";
import { useFigure } from "../../../lib/prefs";
import { LevelGlyph } from "../../../ui/signs";
import { sizeWords } from "../../../ui/size-words";
import { useDraft } from "../draft";
import { OtherFamily } from "./other-family";

const LEVELS: readonly FuseLevel[] = ["tack", "contour", "full"];

interface Props {
	reading: KitReading;
	/** The bench shows another firing than the one that puts the kit together. */
	elsewhere?: boolean;
	families: readonly GlassFamily[];
	glasses: readonly Glass[];
	mayEdit: boolean;
	tryOut(tries: readonly { level: FuseLevel; familyId: string }[]): Promise<Trial[]>;
}

/** The same kit at each level and in each tested family, side by side. */
export function TryPanel({ reading, elsewhere = false, families, glasses, mayEdit, tryOut }: Props) {
	const figure = useFigure();
	const edit = useDraft((draft) => draft.edit);
	const [trials, setTrials] = useState<Trial[] | undefined>();
	const tested = families.filter((family) => family.tested);
	const own = reading.familyId ?? tested[0]?.id ?? "";
	const [familyId, setFamilyId] = useState(own);
	useEffect(() => {
		let current = true;
		void tryOut(LEVELS.map((level) => ({ level, familyId }))).then((answer) => current && setTrials(answer));
		return () => {
			current = false;
		};
	}, [tryOut, familyId]);
	if (reading.areaMm2 === 0)
		return <p className="text-soft">Levels and families are tried once glass lies on the bench.</p>;
	if (elsewhere)
		return (
			<p className="text-soft">Levels are tried for the firing that puts the kit together. Choose it above the plan.</p>
		);
	const rows: [string, (trial: Trial) => string][] = [
		["ends", (trial) => sizeWords([trial.widthMm, trial.heightMm], figure)],
		["mean", (trial) => figure({ mm: trial.meanMm })],
		["peak", (trial) => figure({ c: trial.outlook.peakC })],
		["anneals as", (trial) => figure({ mm: trial.outlook.effectiveMm })],
		["soak", (trial) => figure({ min: trial.outlook.soakMin })],
		["kiln", (trial) => `${Math.round(trial.outlook.hours)} h`],
		["to mend", (trial) => String(trial.toMend)],
	];
	return (
		<>
			<div className="join mb-3" role="group" aria-label="Family to try">
				{tested.map(({ id, label }) => (
					<button
						key={id}
						type="button"
						aria-pressed={id === familyId}
						className={`btn btn-sm join-item ${id === familyId ? "btn-secondary" : ""}`}
						onClick={() => setFamilyId(id)}
					>
						family {label}
					</button>
				))}
			</div>
			{!trials && <p className="text-soft">Trying the levels …</p>}
			{trials && (
				<table className="figure w-full border-collapse text-[13.5px]">
					<thead>
						<tr>
							<td />
							{trials.map(({ level }) => (
								<th
									key={level}
									scope="col"
									className={`px-1 py-2 text-left align-bottom ${level === reading.level ? "bg-pick" : ""}`}
								>
									<LevelGlyph level={level} label={false} />
									<span className="block font-bold">{LEVEL_WORDS[level]}</span>
								</th>
							))}
						</tr>
					</thead>
					<tbody>
						{rows.map(([label, tell]) => (
							<tr key={label} className="border-t border-line">
								<th scope="row" className="py-1.5 pr-1 text-left font-normal text-soft">
									{label}
								</th>
								{trials.map((trial) => (
									<td
										key={trial.level}
										className={`px-1 py-1.5 font-semibold ${trial.level === reading.level ? "bg-pick" : ""}`}
									>
										{tell(trial)}
									</td>
								))}
							</tr>
						))}
						{mayEdit && (
							<tr className="border-t border-line">
								<td />
								{trials.map(({ level }) => (
									<td key={level} className="px-1 py-2">
										<button
											type="button"
											className="btn btn-sm px-2"
											disabled={level === reading.level}
											onClick={() =>
												edit((before) => ({
													...before,
													route: before.route.map((step, i) => (i === reading.firing ? { ...step, level } : step)),
												}))
											}
										>
											{level === reading.level ? "chosen" : "choose"}
										</button>
									</td>
								))}
							</tr>
						)}
					</tbody>
				</table>
			)}
			<p className="mt-3 text-[13px] text-soft">
				Estimates for firing {reading.firing + 1}, without a kiln of its own.
			</p>
			{mayEdit && familyId !== own && (
				<OtherFamily
					glasses={glasses}
					familyId={familyId}
					label={tested.find(({ id }) => id === familyId)?.label ?? familyId}
				/>
			)}
		</>
	);
}
