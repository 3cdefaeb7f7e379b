import { keepsSurface, LEVEL_BANDS, LEVEL_WORDS } from "../../firing/level";
import { isStriker } from "../../glass/glass";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import { onShelf } from "../on-shelf";
import type { Stack } from "../stack";
import { counted, ids, names } from "./words";

/** Faces: what shows its colour late, what sticks to the shelf, what will not end flat. */
export const surfaceFindings = (stack: Stack): Finding[] => [...strikers(stack), ...below(stack), ...flatness(stack)];

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

function flatness({ design, lain, level, firing }: Stack): Finding[] {
	if (!design.flat) return [];
	const coarse = lain.filter(({ part, glass }) => part.kind === "grains" && glass?.grade === "coarse");
	const lumps = lain.filter(({ part }) => part.kind === "lump" || part.kind === "component");
	const doubled = doubledThreads(lain);
	const proud = [...coarse, ...lumps, ...doubled];
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
	if (proud.length === 0) return [];
	return [
		{
			code: "lumps",
			severity: "fix",
			sentence: say`It has to end flat, and ${counted(proud.length, "part leaves", "parts leave")} a lump: ${names(proud)}.`,
			remedy: say`Keep coarse frit, dots and doubled stringers for pieces that hang.`,
			partIds: ids(proud),
			fix: { label: say`Take them off`, changes: [{ do: "remove", partIds: ids(proud) }] },
		},
	];
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
