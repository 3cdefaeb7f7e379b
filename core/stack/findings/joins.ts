import { say } from "../../units/phrase";
import { type Contact, SAFE_OVERLAP_MM } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { counted, holdsAny, ids, names } from "./words";

/** Joints that hold, but less well than a safe overlap does. */
export const joinFindings = ({ contacts }: Stack): Finding[] => [...barely(contacts), ...byTheEdge(contacts)];

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
