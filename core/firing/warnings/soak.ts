import type { Severity } from "../../advice";
import { say } from "../../units/phrase";
import { annealHolds, isDots, SOAK_BELOW_K } from "./annealing";
import { type Case, changed } from "./case";
import { severityBy } from "./severity-by";
import type { ScheduleWarning } from "./warning";

/** Glass without any soak is no annealed glass, whatever is simulated. */
const worse = (a: Severity, b: Severity): Severity => (a === "know" ? b : a);

export function soak(one: Case): ScheduleWarning[] {
	if (isDots(one)) return [];
	const { demand, family, segments } = one;
	const holds = annealHolds(one);
	const held = holds.reduce((sum, { segment }) => sum + segment.holdMin, 0);
	const needed = Math.round(demand.soakMin);
	if (held >= needed) return [];
	const first = holds[0];
	const { coolingStressPa, frozenStressPa } = one.felt();
	const bySimulation = severityBy(Math.max(coolingStressPa, frozenStressPa));
	const drop = segments.findIndex(
		({ targetC }, i) => i > one.peak && Math.abs(targetC - family.annealingC) <= SOAK_BELOW_K,
	);
	const at = first?.i ?? drop;
	const thicknessMm = Math.max(...one.document.pieces.map(({ effectiveMm }) => effectiveMm));
	return [
		{
			code: first ? "soak-short" : "soak-missing",
			severity: first ? bySimulation : worse(bySimulation, "fix"),
			segment: at >= 0 ? at : null,
			sentence: say`Soaked ${{ min: held }} near the annealing point (${{ c: family.annealingC }}); ${{ mm: thicknessMm }} to anneal as needs ${{ min: needed }}.`,
			remedy: say`A crack with sharp edges, sometimes weeks later, comes from this.`,
			...(at >= 0 && {
				fix: {
					label: say`Soak ${{ min: needed }}`,
					segments: changed(one, at, { holdMin: needed - held + (segments[at]?.holdMin ?? 0) }),
				},
			}),
		},
	];
}
