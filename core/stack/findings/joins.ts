import { counted } from "../../units/counted";
import { say } from "../../units/phrase";
import { type Contact, SAFE_OVERLAP_MM } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, middle, names } from "./words";

/** Joints that hold, but less well than a safe overlap does. */
export const joinFindings = ({ contacts }: Stack): Finding[] => [
	...barely(contacts),
	...byTheEdge(contacts),
	...onRoundTops(contacts),
];

/** What is stiff rocks on a rounded top, and touches it at a point. */
function onRoundTops(contacts: readonly Contact[]): Finding[] {
	const onTop = contacts.flatMap(({ a, b }) => {
		const [low, high] = a.layer < b.layer ? [a, b] : [b, a];
		const isRound = low.part.kind === "lump" && low.part.form === "dome" && !low.part.ground;
		return isRound && low.layer < high.layer && STIFF.includes(high.part.kind) ? [{ low, high }] : [];
	});
	if (!holdsAny(onTop)) return [];
	const dots = [...new Set(onTop.map(({ low }) => low))];
	const above = [...new Set(onTop.map(({ high }) => high))];
	return [
		{
			code: "round-top",
			severity: "know",
			sentence: say`${names(above)} ${above.length === 1 ? "lies" : "lie"} on ${counted(dots.length, "rounded top", "rounded tops")}: ${above.length === 1 ? "it rocks" : "they rock"} there until ${above.length === 1 ? "it is" : "they are"} glued, and touch at a point.`,
			remedy: say`Grind the tops flat before they are stacked.`,
			partIds: ids([...dots, ...above]),
			at: middle(dots[0] as Lain),
			places: dots.map(middle),
			fix: {
				label: say`Grind ${counted(dots.length, "top", "tops")} flat`,
				changes: [{ do: "grind", partIds: ids(dots) }],
			},
		},
	];
}

const STIFF: readonly string[] = ["sheet", "lump", "component"];

function barely(contacts: readonly Contact[]): Finding[] {
	const few = contacts.filter(
		({ kind, overlapMm, a, b, shared }) =>
			kind === "joined" && overlapMm < SAFE_OVERLAP_MM && overlapMm > 0 && shared.length > 0 && !carriedWhole(a, b),
	);
	if (!holdsAny(few)) return [];
	const parts = few.map(({ a, b }) => (a.layer > b.layer ? a : b));
	return [
		{
			code: "barely-joined",
			severity: "know",
			sentence: say`${names(parts)} ${parts.length === 1 ? "lies on its neighbour" : "lie on their neighbours"} by less than ${{ mm: SAFE_OVERLAP_MM }}, at ${counted(few.length, "joint", "joints")}: it holds, but only just.`,
			remedy: say`Give it ${{ mm: SAFE_OVERLAP_MM }} where the look allows it.`,
			partIds: ids(parts),
			at: few[0].nearest.a,
			places: few.map(({ nearest }) => nearest.a),
		},
	];
}

/** A thread, strewn grains or a part smaller than the safe overlap lies on its neighbour as well as it can. */
const carriedWhole = (a: Lain, b: Lain): boolean =>
	[a, b].some(({ part }) => part.kind === "thread" || part.kind === "grains") ||
	Math.min(a.box.widthMm, a.box.heightMm, b.box.widthMm, b.box.heightMm) <= SAFE_OVERLAP_MM;

function byTheEdge(contacts: readonly Contact[]): Finding[] {
	const joints = contacts.filter(({ kind }) => kind === "edge");
	if (!holdsAny(joints)) return [];
	const parts = [...new Set(joints.flatMap(({ a, b }) => [a, b]))];
	return [
		{
			code: "edge-joined",
			severity: "know",
			sentence: say`${names(parts)} hold side by side at ${counted(joints.length, "joint", "joints")}, by the edge alone: nothing draws in there, but it is weaker than an overlap.`,
			remedy: say`Handle it as the weakest place, or let a part lie over the joint by ${{ mm: SAFE_OVERLAP_MM }}.`,
			partIds: ids(parts),
			at: joints[0].nearest.a,
			places: joints.map(({ nearest }) => nearest.a),
		},
	];
}
