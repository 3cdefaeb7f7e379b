import { SLOW_RAMP_C_PER_H } from "../../firing/demand";
import { COOLING_LAG_K, lagStressPa } from "../../firing/rates";
import { ALLOWED_TENSION_PA } from "../../glass/constants";
import { type Phrase, say } from "../../units/phrase";
import { touchesDarkAndWhite } from "../contacts";
import { effectiveThicknessMm, UNEVEN_RATIO } from "../effective-thickness";
import type { Finding } from "../finding";
import type { Stack } from "../stack";

/** Many heights in one piece mean stress; what the route does to it. */
export function heightFindings(stack: Stack): Finding[] {
	const { thickestMm: thick, thinnestMm: thin, level, insertMm, hadLevel } = stack;
	const effectiveMm = effectiveThicknessMm(thick + insertMm, thin, level, hadLevel);
	const ratio = thin > 0 ? thick / thin : 1;
	const gentle = level === "tack" || level === "sinter";
	const findings: Finding[] = [];
	if (ratio > UNEVEN_RATIO) {
		findings.push({
			code: "uneven",
			severity: gentle ? "know" : "fix",
			sentence: [
				...say`${{ n: ratio }} times as thick at its thickest as at its thinnest, a step of ${{ mm: thick - thin }}: it has to anneal as ${{ mm: effectiveMm }}.`,
				...evenCooling(stack, effectiveMm),
			],
			remedy: say`Keep it to a light tack, do not slump it, and give the soak its ${{ min: (effectiveMm / 6) * 60 }}.`,
			partIds: [],
			...(!gentle && {
				fix: {
					label: say`Fire to tack`,
					changes: [{ do: "level" as const, firing: stack.firing, level: "tack" as const }],
				},
			}),
		});
	}
	if (insertMm > 0) {
		findings.push({
			code: "insert",
			severity: "know",
			sentence: say`${{ mm: insertMm }} of fibre stays inside and counts as glass: it anneals as ${{ mm: effectiveMm }}, ${{ min: (effectiveMm / 6) * 60 }} of soak.`,
			remedy: say`Wrap the insert in shelf paper and let it stick out, so that it can be drawn.`,
			partIds: stack.lain.filter(({ part }) => part.kind === "fibre" && part.use === "insert").map(({ id }) => id),
		});
	}
	return [...findings, ...raisedSlump(stack), ...tones(stack)];
}

/** What passes through an uneven piece on a cooling that is right for an even one: the lag grows with the thickness squared. */
function evenCooling({ glass, book, thickestMm }: Stack, effectiveMm: number): Phrase {
	if (effectiveMm <= thickestMm) return [];
	const expansion = book.families.get(glass[0]?.glass?.familyId ?? "")?.expansionE7PerK ?? 90;
	const mpa = lagStressPa(COOLING_LAG_K * (effectiveMm / thickestMm) ** 2, expansion) / 1e6;
	return say` Cooled as if it were ${{ mm: thickestMm }} all over, about ${{ n: Math.round(mpa * 10) / 10 }} MPa would pass through it; ${{ n: ALLOWED_TENSION_PA / 1e6 }} is allowed.`;
}

/** Slumping a piece that kept its heights takes far longer. */
function raisedSlump({ design, thickestMm, thinnestMm, insertMm }: Stack): Finding[] {
	const raised = design.route.findIndex(
		({ level }, i) =>
			level === "slump" && design.route.slice(0, i).some((step) => step.level === "tack" || step.level === "contour"),
	);
	if (raised < 0 || thickestMm <= thinnestMm) return [];
	const last = design.route.slice(0, raised).findLastIndex(({ level }) => level === "tack" || level === "contour");
	const had = design.route[last];
	const effectiveMm = effectiveThicknessMm(thickestMm + insertMm, thinnestMm, "slump", had?.level);
	return [
		{
			code: "raised-slump",
			severity: "fix",
			sentence: say`Firing ${{ n: raised + 1 }} slumps a piece of several heights: at most ${{ cPerH: SLOW_RAMP_C_PER_H }} up, and it anneals as ${{ mm: effectiveMm }}.`,
			remedy: say`Fuse it flat before it is slumped, or leave the slump out.`,
			partIds: [],
			fix: { label: say`Fire to full`, changes: [{ do: "level", firing: last, level: "full" }] },
		},
	];
}

function tones({ contacts }: Stack): Finding[] {
	if (!touchesDarkAndWhite(contacts)) return [];
	return [
		{
			code: "dark-white",
			severity: "know",
			sentence: say`Dark opaque lies beside white opaque: they heat at different speeds, so at most ${{ cPerH: SLOW_RAMP_C_PER_H }} on the way up.`,
			remedy: say`The schedule is slowed by itself; nothing else has to be done.`,
			partIds: [],
		},
	];
}
