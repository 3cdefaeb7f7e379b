import type { FuseLevel } from "../firing/level";
import type { CutShape } from "../geometry/shape";
import type { KitDesign, KitPart } from "./kit";

/** The smallest steps a kit is edited by; findings offer them as remedies. */
export type Change =
	| { do: "add"; part: KitPart }
	| { do: "remove"; partIds: string[] }
	| { do: "move"; partIds: string[]; byMm: { x: number; y: number } }
	| { do: "resize"; partId: string; shape: CutShape }
	/** Another part in the place of the one with its id. */
	| { do: "replace"; part: KitPart }
	/** Grinds the tops of dots flat. */
	| { do: "grind"; partIds: string[] }
	/** Lines a wall. */
	| { do: "line"; partId: string; liningMm: number }
	| { do: "raise"; partIds: string[]; layers: number }
	| { do: "turnFace"; partId: string }
	/** Meant to come out by itself. */
	| { do: "loosen"; partIds: string[] }
	| { do: "level"; firing: number; level: FuseLevel };

/** The kit after a change; parts that are not there any more are passed over. */
export function applyChange(design: KitDesign, change: Change): KitDesign {
	const each = (ids: readonly string[], edit: (part: KitPart) => KitPart): KitDesign => ({
		...design,
		parts: design.parts.map((part) => (ids.includes(part.id) ? edit(part) : part)),
	});
	switch (change.do) {
		case "add":
			return { ...design, parts: [...design.parts, change.part] };
		case "remove":
			return { ...design, parts: design.parts.filter(({ id }) => !change.partIds.includes(id)) };
		case "move":
			return each(change.partIds, (part) => ({
				...part,
				xMm: part.xMm + change.byMm.x,
				yMm: part.yMm + change.byMm.y,
			}));
		case "resize":
			return each([change.partId], (part) => ("shape" in part ? { ...part, shape: change.shape } : part));
		case "replace":
			return each([change.part.id], () => change.part);
		case "grind":
			return each(change.partIds, (part) => (part.kind === "lump" ? { ...part, ground: true } : part));
		case "line":
			return each([change.partId], (part) => (part.kind === "dam" ? { ...part, liningMm: change.liningMm } : part));
		case "raise":
			return each(change.partIds, (part) => ({ ...part, layer: Math.max(0, part.layer + change.layers) }));
		case "turnFace":
			return each([change.partId], (part) => (part.kind === "sheet" ? { ...part, faceDown: !part.faceDown } : part));
		case "loosen":
			return each(change.partIds, (part) => ({ ...part, loose: true }));
		case "level":
			return {
				...design,
				route: design.route.map((step, i) => (i === change.firing ? { ...step, level: change.level } : step)),
			};
	}
}

export const applyChanges = (design: KitDesign, changes: readonly Change[]): KitDesign =>
	changes.reduce(applyChange, design);
