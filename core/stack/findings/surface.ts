import { keepsSurface, LEVEL_BANDS, LEVEL_WORDS } from "../../firing/level";
import { areaMm2, intersect, offset, unite } from "../../geometry/region";
import { isStriker } from "../../glass/glass";
import { counted } from "../../units/counted";
import { type Phrase, say } from "../../units/phrase";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import { onShelf } from "../on-shelf";
import type { Stack } from "../stack";
import { ids, names } from "./words";

/** Coarse frit no further in than this is a rim, mm; a share of it may stray. Common practice, no source. */
const RIM_MM = 15;
const RIM_SLACK = 0.05;

/** Faces: what shows its colour late, what sticks to the shelf, what will not end flat. */
export const surfaceFindings = (stack: Stack): Finding[] => [
	...strikers(stack),
	...below(stack),
	...crispEdges(stack),
	...flatness(stack),
];

function strikers({ glass }: Stack): Finding[] {
	const some = glass.filter(({ glasses }) => glasses.some(isStriker));
	if (some.length === 0) return [];
	return [
		{
			code: "striker",
			severity: "know",
			sentence: say`${counted(some.length, "part shows its", "parts show their")} colour only after firing: ${names(some)}.`,
			remedy: say`Show students the glass as fired, beside the glass as bought.`,
			partIds: ids(some),
		},
	];
}

function below(stack: Stack): Finding[] {
	const lowest = onShelf(stack);
	const opaque = lowest.filter(({ glass }) => glass?.opacity === "opalescent");
	const metal = lowest.filter(({ part }) => part.kind === "foil");
	const findings: Finding[] = [];
	if (opaque.length > 0) {
		findings.push({
			code: "opaque-on-shelf",
			severity: "know",
			sentence: say`${counted(opaque.length, "opaque part lies", "opaque parts lie")} on the shelf and ${opaque.length === 1 ? "picks" : "pick"} up shelf wash.`,
			remedy: say`Put shelf paper under the piece.`,
			partIds: ids(opaque),
		});
	}
	if (metal.length > 0) {
		findings.push({
			code: "metal-on-shelf",
			severity: "fix",
			sentence: say`${counted(metal.length, "piece of foil lies", "pieces of foil lie")} on the shelf itself: ${names(metal)}.`,
			remedy: say`Lay glass or a scrap of fibre under the metal.`,
			partIds: ids(metal),
		});
	}
	return findings;
}

/** Upside down, what was laid on top lies flat on the shelf and is held there by what it was laid on. */
function crispEdges(stack: Stack): Finding[] {
	const { step, level, glass } = stack;
	const lowest = onShelf(stack).filter(({ part }) => part.kind === "sheet");
	if (!step.turnedOver || keepsSurface(level) || lowest.length === 0 || lowest.length === glass.length) return [];
	return [
		{
			code: "crisp-edges",
			severity: "know",
			sentence: say`${counted(lowest.length, "part lies", "parts lie")} face down on the shelf and ${lowest.length === 1 ? "keeps its" : "keep their"} crisp outline at ${LEVEL_WORDS[level]}: ${names(lowest)}.`,
			remedy: say`The face comes out as matt as what it lay on. A dusting of clear powder and another firing bring its shine.`,
			partIds: ids(lowest),
		},
	];
}

function flatness(stack: Stack): Finding[] {
	const { design, lain, level, firing } = stack;
	if (!design.flat) return [];
	const coarse = lain.filter(({ part, glass }) => part.kind === "grains" && glass?.grade === "coarse");
	const rim = coarse.length > 0 ? coarse.filter(isRimOf(stack)) : [];
	const lumps = lain.filter(({ part }) => part.kind === "lump" || part.kind === "component");
	const doubled = doubledThreads(lain);
	const proud = [...coarse.filter((one) => !rim.includes(one)), ...lumps, ...doubled];
	if (LEVEL_BANDS[level].from < LEVEL_BANDS.full.from && !keepsSurface(level)) {
		return [
			{
				code: "not-flat",
				severity: "fix",
				sentence: say`It has to end flat, and ${LEVEL_WORDS[level]} leaves ${{ n: lain.length }} parts raised.`,
				remedy: say`Fire it to full.`,
				partIds: [],
				fix: { label: say`Fire to full`, changes: [{ do: "level", firing, level: "full" }] },
			},
		];
	}
	return [
		...lumpsAt(proud, "fix", say`Keep coarse frit, dots and doubled stringers for pieces that hang.`),
		...lumpsAt(rim, "know", say`As a rim that is wanted: what stands inside it stands flat.`),
	];
}

function lumpsAt(proud: readonly Lain[], severity: "fix" | "know", remedy: Phrase): Finding[] {
	if (proud.length === 0) return [];
	const many = counted(proud.length, "part leaves", "parts leave");
	return [
		{
			code: "lumps",
			severity,
			sentence:
				severity === "fix"
					? say`It has to end flat, and ${many} a lump: ${names(proud)}.`
					: say`${many} a raised rim within ${{ mm: RIM_MM }} of the edge: ${names(proud)}.`,
			remedy,
			partIds: ids(proud),
			fix: { label: say`Take them off`, changes: [{ do: "remove", partIds: ids(proud) }] },
		},
	];
}

/** Does a part lie along the edge of the piece alone? */
function isRimOf({ glass }: Stack): (part: Lain) => boolean {
	const inner = offset(unite(glass.map(({ region }) => region)), -RIM_MM);
	return ({ region, areaMm2: mm2 }) => inner.length > 0 && areaMm2(intersect(region, inner)) < RIM_SLACK * mm2;
}

/** Threads that lie across other threads. */
function doubledThreads(lain: readonly Lain[]): Lain[] {
	const threads = lain.filter(({ part }) => part.kind === "thread");
	return threads.filter((one) =>
		threads.some(
			(other) =>
				other !== one &&
				other.layer < one.layer &&
				other.box.minX <= one.box.maxX &&
				other.box.maxX >= one.box.minX &&
				other.box.minY <= one.box.maxY &&
				other.box.maxY >= one.box.minY,
		),
	);
}
