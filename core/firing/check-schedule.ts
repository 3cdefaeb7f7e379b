import { bySeverity } from "../advice";
import type { GlassFamily } from "../glass/family";
import { DEFAULT_KILN, type KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import { demandOfDocument, type ScheduleDocument } from "./document";
import { peakIndexOf } from "./schedule";
import { airHold } from "./warnings/air-hold";
import type { Case, KilnLimits } from "./warnings/case";
import { cooling } from "./warnings/cooling";
import { familyLimits } from "./warnings/family-limits";
import { kilnLimits } from "./warnings/kiln-limits";
import { mouldLimit } from "./warnings/mould-limit";
import { peakHeat } from "./warnings/peak-heat";
import { firstRamps } from "./warnings/ramps";
import { soak } from "./warnings/soak";
import type { ScheduleWarning } from "./warnings/warning";

export function checkSchedule(
	document: ScheduleDocument,
	family: GlassFamily,
	kiln?: KilnBody,
	limits?: KilnLimits,
): ScheduleWarning[] {
	const { segments } = document;
	const demand = demandOfDocument(document);
	if (!demand || segments.length === 0) return [];
	const thickestMm = Math.max(...document.pieces.map(({ thickestMm: mm }) => mm));
	let simulated: Simulation | undefined;
	const one: Case = {
		document,
		segments,
		demand,
		family,
		kiln,
		limits,
		thickestMm,
		felt() {
			simulated ??= simulateFiring({
				...{ kiln: kiln ?? DEFAULT_KILN, schedule: { segments }, family, thicknessMm: thickestMm },
				onMould: document.mouldMaxC !== null,
			});
			return simulated;
		},
		peak: peakIndexOf({ segments }),
	};
	return [
		...firstRamps(one),
		...airHold(one),
		...peakHeat(one),
		...familyLimits(one),
		...soak(one),
		...cooling(one),
		...kilnLimits(one),
		...mouldLimit(one),
	].sort((a, b) => bySeverity(a, b) || (a.segment ?? -1) - (b.segment ?? -1));
}
