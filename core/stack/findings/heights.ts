import { SLOW_RAMP_C_PER_H, soakMinOf } from "../../firing/demand";
import { COOLING_LAG_K, lagStressPa } from "../../firing/rates";
import { ALLOWED_TENSION_PA } from "../../glass/constants";
import type { RouteStep } from "../../kit/kit";
import { SEVERAL_HEIGHTS } from "../../piece/to-fire";
import { type Phrase, say } from "../../units/phrase";
import { touchesDarkAndWhite } from "../contacts";
import { effectiveThicknessMm, isEven, mostUneven, UNEVEN_RATIO, unevenness } from "../effective-thickness";
import type { Finding } from "../finding";
import { firingStacks } from "../firing-stacks";
import { heightsFound } from "../heights-found";
import type { Stack } from "../stack";

/** Many heights in one piece mean stress; what the route does to it. */
export function heightFindings(stack: Stack): Finding[] {
	const { level, insertMm, hadLevel } = stack;
	const found = heightsFound(stack);
	const { thickestMm: thick, thinnestMm: thin } = mostUneven(found);
	const effectiveMm = effectiveThicknessMm(found, level, hadLevel);
	const ratio = unevenness(found);
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
			remedy: say`Keep it to a light tack, do not slump it, and give the soak its ${{ min: soakMinOf(effectiveMm) }}.`,
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
			sentence: say`${{ mm: insertMm }} of fibre stays inside and counts as glass: it anneals as ${{ mm: effectiveMm }}, ${{ min: soakMinOf(effectiveMm) }} of soak.`,
			remedy: say`Wrap the insert in shelf paper and let it stick out, so that it can be drawn.`,
			partIds: stack.lain.filter(({ part }) => part.kind === "fibre" && part.use === "insert").map(({ id }) => id),
		});
	}
	return [...findings, ...raisedSlump(stack), ...tones(stack)];
}

/** What passes through an uneven piece on a cooling that is right for an even one: the lag grows with the thickness squared. */
function evenCooling(stack: Stack, effectiveMm: number): Phrase {
	const { glass, book } = stack;
	const { thickestMm } = heightsFound(stack);
	if (effectiveMm <= thickestMm) return [];
	const expansion = book.families.get(glass[0]?.glass?.familyId ?? "")?.expansionE7PerK ?? 90;
	const mpa = lagStressPa(COOLING_LAG_K * (effectiveMm / thickestMm) ** 2, expansion) / 1e6;
	return say` Cooled as if it were ${{ mm: thickestMm }} all over, about ${{ n: Math.round(mpa * 10) / 10 }} MPa would pass through it; ${{ n: ALLOWED_TENSION_PA / 1e6 }} is allowed.`;
}

/** Slumping a piece that kept its heights: usual where it is not very uneven by then, and told with what it asks for. */
function raisedSlump(stack: Stack): Finding[] {
	const { design, firing } = stack;
	const raises = ({ level }: RouteStep) => level === "tack" || level === "contour";
	const raised = design.route.findIndex(
		({ level }, i) => i >= firing && level === "slump" && design.route.slice(0, i).some(raises),
	);
	const slumped = raised < 0 ? undefined : raised === firing ? stack : firingStacks(stack)[raised];
	if (!slumped) return [];
	const found = heightsFound(slumped);
	if (isEven(found)) return [];
	const last = design.route.slice(0, raised).findLastIndex(raises);
	const ratio = unevenness(found);
	const effectiveMm = effectiveThicknessMm(found, "slump", slumped.hadLevel);
	const isSlow = ratio > SEVERAL_HEIGHTS;
	const isMuch = ratio > UNEVEN_RATIO;
	return [
		{
			code: "raised-slump",
			severity: isMuch ? "fix" : "know",
			sentence: [
				...say`Firing ${{ n: raised + 1 }} slumps a piece that is ${{ n: Math.round(ratio * 10) / 10 }} times as thick at its thickest as at its thinnest by then: it anneals as ${{ mm: effectiveMm }}`,
				...(isSlow ? say`, and goes up by at most ${{ cPerH: SLOW_RAMP_C_PER_H }}.` : say`.`),
			],
			remedy: isMuch
				? say`Fuse it flatter before it is slumped, or leave the slump out.`
				: say`The schedule of the slump holds for it; nothing else has to be done.`,
			partIds: [],
			...(isMuch && {
				fix: { label: say`Fire to full`, changes: [{ do: "level" as const, firing: last, level: "full" as const }] },
			}),
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
