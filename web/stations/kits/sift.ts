import type { ListedKit } from "@contract/kits";
import { FUSE_LEVELS, type FuseLevel } from "@core/firing/level";
import type { Glass } from "@core/glass/glass";
import { glassIdOf } from "@core/kit/kit";

export const KIT_ORDERS = ["lastUsed", "name", "level", "hours"] as const;
export type KitOrder = (typeof KIT_ORDERS)[number];

/** The firings of a route as one choice: one level, several, a slump at the end. */
export const ROUTE_KINDS = ["once", "twice", "more", "slumped"] as const;
export type RouteKind = (typeof ROUTE_KINDS)[number];

/** What of all kits is wanted, and in which order. Empty: no matter. */
export interface Sift {
	text: string;
	familyId: string;
	level: FuseLevel | "";
	route: RouteKind | "";
	courseId: string;
	order: KitOrder;
}

export const EVERYTHING: Sift = { text: "", familyId: "", level: "", route: "", courseId: "", order: "lastUsed" };

/** The hottest level of a kit's route: what it is fused to. */
export const levelOf = ({ document }: ListedKit): FuseLevel =>
	document.route.map(({ level }) => level).reduce((a, b) => (rank(b) > rank(a) ? b : a));

const rank = (level: FuseLevel): number => FUSE_LEVELS.indexOf(level);

function isOfRoute({ document: { route } }: ListedKit, kind: RouteKind): boolean {
	if (kind === "slumped") return route.some(({ level }) => level === "slump");
	return kind === "more" ? route.length > 2 : route.length === (kind === "once" ? 1 : 2);
}

/** Every word of the text stands somewhere in the kit: its name, note, stack, glasses, courses. */
function mentions(kit: ListedKit, text: string, glasses: ReadonlyMap<string, Glass>): boolean {
	const words = text.toLowerCase().split(/\s+/).filter(Boolean);
	if (words.length === 0) return true;
	const { document, reading, courses } = kit;
	const names = document.parts.map((part) => glasses.get(glassIdOf(part) ?? "")?.name ?? "");
	const all = [document.name, document.note, reading.stackCode, ...new Set(names), ...courses.map(({ title }) => title)]
		.join(" ")
		.toLowerCase();
	return words.every((word) => all.includes(word));
}

const byName = (a: ListedKit, b: ListedKit) => a.document.name.localeCompare(b.document.name);

const ORDERS: Record<KitOrder, (a: ListedKit, b: ListedKit) => number> = {
	lastUsed: (a, b) => b.usedAt.localeCompare(a.usedAt),
	name: byName,
	level: (a, b) => rank(levelOf(a)) - rank(levelOf(b)),
	hours: (a, b) => (a.hours ?? Number.POSITIVE_INFINITY) - (b.hours ?? Number.POSITIVE_INFINITY) || 0,
};

/** The kits that are wanted, in the order asked for; of equals, by name. */
export const sifted = (
	kits: readonly ListedKit[],
	{ text, familyId, level, route, courseId, order }: Sift,
	glasses: ReadonlyMap<string, Glass>,
): ListedKit[] =>
	kits
		.filter(
			(kit) =>
				(!familyId || kit.reading.familyId === familyId) &&
				(!level || levelOf(kit) === level) &&
				(!route || isOfRoute(kit, route)) &&
				(!courseId || kit.courses.some(({ id }) => id === courseId)) &&
				mentions(kit, text, glasses),
		)
		.sort((a, b) => ORDERS[order](a, b) || byName(a, b));
