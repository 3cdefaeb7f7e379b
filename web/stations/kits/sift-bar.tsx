import type { ListedKit } from "@contract/kits";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { Search } from "lucide-react";
import { KIT_ORDERS, type KitOrder, levelOf, ROUTE_KINDS, type RouteKind, type Sift } from "./sift";

const ORDER_WORDS: Record<KitOrder, string> = {
	lastUsed: "last used first",
	name: "by name",
	level: "by level, gentlest first",
	hours: "by hours, shortest first",
};
const ROUTE_WORDS: Record<RouteKind, string> = {
	once: "fired once",
	twice: "fired twice",
	more: "fired more often",
	slumped: "with a slump",
};

interface Props {
	kits: readonly ListedKit[];
	families: readonly { id: string; label: string }[];
	sift: Sift;
	onSift(sift: Sift): void;
}

/** What is looked for among the kits: only choices that some kit has. */
export function SiftBar({ kits, families, sift, onSift }: Props) {
	const courses = new Map(kits.flatMap((kit) => kit.courses.map(({ id, title }) => [id, title] as const)));
	const choice = (key: keyof Sift, label: string, options: readonly (readonly [string, string])[]) => (
		<select
			className={`select select-sm h-9 w-auto max-lg:h-11 ${sift[key] ? "font-semibold" : ""}`}
			aria-label={label}
			value={sift[key]}
			onChange={(event) => onSift({ ...sift, [key]: event.target.value })}
		>
			{options.map(([value, words]) => (
				<option key={value} value={value}>
					{words}
				</option>
			))}
		</select>
	);
	return (
		<div role="search" className="mb-2 flex flex-wrap items-center gap-1.5">
			<label className="input input-sm flex h-9 w-64 items-center gap-2 max-lg:h-11">
				<Search size={16} aria-hidden="true" className="text-soft" />
				<input
					type="search"
					aria-label="Find among the kits"
					placeholder="name, glass, class"
					value={sift.text}
					onChange={(event) => onSift({ ...sift, text: event.target.value })}
				/>
			</label>
			{choice("familyId", "Family", [
				["", "any family"],
				...families
					.filter(({ id }) => kits.some(({ reading }) => reading.familyId === id))
					.map(({ id, label }) => [id, `family ${label}`] as const),
			])}
			{choice("level", "Fuse level", [
				["", "any level"],
				...FUSE_LEVELS.filter((level) => kits.some((kit) => levelOf(kit) === level)).map(
					(level) => [level, LEVEL_WORDS[level]] as const,
				),
			])}
			{choice("route", "Route", [["", "any route"], ...ROUTE_KINDS.map((kind) => [kind, ROUTE_WORDS[kind]] as const)])}
			{courses.size > 0 &&
				choice("courseId", "Class", [["", "any class"], ...[...courses].sort(([, a], [, b]) => a.localeCompare(b))])}
			<span className="ml-auto" />
			{choice(
				"order",
				"Order",
				KIT_ORDERS.map((order) => [order, ORDER_WORDS[order]] as const),
			)}
		</div>
	);
}
