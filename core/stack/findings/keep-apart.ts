import { boundsOf } from "../../geometry/bounds";
import { areaMm2, type Point } from "../../geometry/region";
import type { Glass } from "../../glass/glass";
import type { Change } from "../../kit/change";
import { type KitPart, LARGEST_KIT, type PartOf } from "../../kit/kit";
import { type Phrase, say } from "../../units/phrase";
import { tidyMm } from "../../units/tidy";
import type { Mend } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { acrossDeg } from "./across";
import { freshIds } from "./fresh-ids";
import { powderBands } from "./keep-powder-apart";
import { neutralGlass, neutralPowder } from "./neutral";
import type { Reaction } from "./reactions";
import { spreadOut } from "./spread-out";
import { ids, middle } from "./words";

/** A band of neutral glass this wide keeps two glasses apart, mm. Common practice, no source. */
export const NEUTRAL_MM = 5;

type Kind = "sheet" | "grains";
type Kept = Lain & { part: PartOf<Kind> };
const isKept = (lain: Lain): lain is Kept => lain.part.kind === "sheet" || lain.part.kind === "grains";
const isSheet = ({ part }: Lain): boolean => part.kind === "sheet";

/** Neutral powder under strewn glass is strewn no thinner than this, g/cm²: half a millimetre once it has melted. Common practice, no source. */
const NEUTRAL_G_PER_CM2 = 0.125;

/**
 * Parts all places where two glasses meet: neutral glass between those that lie on each other, a band of it between those side by side;
 * sheet beside sheet, powder where either is strewn. Undefined where the studio has none, or where one of them is neither.
 */
export function keepApart(stack: Stack, reactions: readonly Reaction[]): Mend | undefined {
	const parts = reactions.flatMap(({ a, b }) => [a, b]);
	const [first] = parts;
	if (!first || !isKept(first) || !parts.every(isKept)) return undefined;
	const neutral: Neutral = {
		sheet: neutralGlass(stack.book, first.part.glassId),
		grains: neutralPowder(stack.book, first.part.glassId),
	};
	const newId = freshIds(stack.lain, "neutral");
	const stacked = reactions.filter(({ a, b, shared }) => areaMm2(shared) > 0.5 && a.layer !== b.layer);
	const beside = reactions.filter((one) => !stacked.includes(one));
	const isCut = beside.every(({ a, b }) => isSheet(a) && isSheet(b));
	const bandGlass = isCut ? neutral.sheet : neutral.grains;
	const layers = layersBetween(stack, stacked, neutral, newId);
	const bands =
		beside.length === 0
			? []
			: !bandGlass
				? undefined
				: isCut
					? stripsBetween(stack, beside, bandGlass, newId)
					: powderBands(beside, NEUTRAL_MM, bandGlass.id, newId);
	if (!layers || !bands) return undefined;
	return { label: labelOf(layers, bands, bandGlass, neutral), changes: [...bands, ...layers] };
}

type Neutral = Record<Kind, Glass | undefined>;

function labelOf(layers: Change[], bands: Change[], band: Glass | undefined, { sheet, grains }: Neutral): Phrase {
	const added = [...bands, ...layers].flatMap((change) => (change.do === "add" ? [change.part] : []));
	const many = added.length === 1 ? "" : `${added.length} × `;
	if (bands.length > 0 && band?.form === "frit")
		return say`Strew a band of ${{ mm: NEUTRAL_MM }} of ${band.name} between`;
	if (bands.length > 0) return say`Put ${many}${{ mm: NEUTRAL_MM }} of ${band?.name ?? ""} between`;
	return added.some(({ kind }) => kind === "sheet")
		? say`Lay ${many}${{ mm: sheet?.thicknessMm ?? 0 }} of ${sheet?.name ?? ""} between`
		: say`Strew ${grains?.name ?? ""} between`;
}

/** Under every upper part a clear one of the same shape; what lies over it goes up. From the top down, so that layers hold. */
function layersBetween(
	{ design }: Stack,
	reactions: readonly Reaction[],
	neutral: Neutral,
	newId: () => string,
): Change[] | undefined {
	const uppers = new Set(reactions.map(({ a, b }) => (a.layer > b.layer ? a : b)));
	if ([...uppers].some(({ part }) => !neutral[part.kind as Kind])) return undefined;
	const layers = [...new Set([...uppers].map(({ layer }) => layer))].sort((a, b) => b - a);
	if (Math.max(0, ...design.parts.map(({ layer }) => layer)) + layers.length >= LARGEST_KIT.layers) return undefined;
	const added: KitPart[] = [];
	return layers.flatMap((layer): Change[] => {
		const over = [...design.parts.filter((part) => part.layer >= layer), ...added].map(({ id }) => id);
		const between = [...uppers]
			.filter((upper) => upper.layer === layer)
			.map(({ part }) => likeIt(part as PartOf<Kind>, neutral, newId()));
		added.push(...between);
		return [{ do: "raise", partIds: over, layers: 1 }, ...between.map((part): Change => ({ do: "add", part }))];
	});
}

/** Neutral glass of the same outline, in the same place. */
function likeIt(part: PartOf<Kind>, neutral: Neutral, id: string): KitPart {
	const its = { id, name: "Neutral layer", glassId: neutral[part.kind]?.id ?? "" };
	return part.kind === "sheet"
		? { ...part, ...its, faceDown: false }
		: { ...part, ...its, gPerCm2: Math.max(part.gPerCm2, NEUTRAL_G_PER_CM2) };
}

/** Draws the parts of the plan apart and lays a strip into every gap. */
function stripsBetween(
	stack: Stack,
	reactions: readonly Reaction[],
	neutral: Glass,
	newId: () => string,
): Change[] | undefined {
	const joints = reactions.map((one) => ({ ...one, ...acrossOf(one) }));
	const [only] = joints;
	if (joints.length === 1 && only) {
		const { mover, way } = only;
		const by = { x: way.x * NEUTRAL_MM, y: way.y * NEUTRAL_MM };
		const byMm = { x: tidyMm(by.x, 0.1), y: tidyMm(by.y, 0.1) };
		const at = { x: only.at.x + by.x / 2, y: only.at.y + by.y / 2 };
		return [
			{ do: "move", partIds: ids([mover]), byMm },
			{ do: "add", part: strip(only, NEUTRAL_MM, at, neutral, newId()) },
		];
	}
	const pairs = joints.map(({ a, b, way }) => ({ a: [a], b: [b], needMm: NEUTRAL_MM, way }));
	const spreading = spreadOut(
		stack.lain.map((lain) => [lain]),
		pairs,
	);
	if (!spreading) return undefined;
	const more = spreading.times - 1;
	return [
		...spreading.changes,
		...joints.map((joint): Change => {
			const [a, b] = [middle(joint.a), middle(joint.b)];
			const gapMm = more * Math.abs((b.x - a.x) * joint.way.x + (b.y - a.y) * joint.way.y);
			const at = {
				x: joint.at.x + more * ((a.x + b.x) / 2 - spreading.centre.x),
				y: joint.at.y + more * ((a.y + b.y) / 2 - spreading.centre.y),
			};
			return { do: "add", part: strip(joint, gapMm, at, neutral, newId()) };
		}),
	];
}

/** The way across a joint, from the part that stays to the smaller one. */
function acrossOf({ a, b, joint }: Reaction): { mover: Lain; degrees: number; way: Point } {
	const [mover, stays] = a.areaMm2 <= b.areaMm2 ? [a, b] : [b, a];
	const degrees = acrossDeg(joint.flat(), middle(stays), middle(mover));
	const angle = (degrees * Math.PI) / 180;
	const toMover = { x: middle(mover).x - middle(stays).x, y: middle(mover).y - middle(stays).y };
	const sign = Math.cos(angle) * toMover.x + Math.sin(angle) * toMover.y >= 0 ? 1 : -1;
	return { mover, degrees, way: { x: sign * Math.cos(angle), y: sign * Math.sin(angle) } };
}

function strip(
	{ joint, mover, degrees }: Pick<Reaction, "joint"> & { mover: Lain; degrees: number },
	widthMm: number,
	at: Point,
	neutral: Glass,
	id: string,
): KitPart {
	const box = boundsOf(joint);
	return {
		id,
		name: "Neutral strip",
		kind: "sheet",
		shape: {
			kind: "strip",
			lengthMm: tidyMm(Math.max(box.widthMm, box.heightMm, 1), 0.1),
			widthMm: tidyMm(Math.max(widthMm - 0.1, 1), 0.1),
		},
		glassId: neutral.id,
		faceDown: false,
		layer: mover.layer,
		firing: mover.part.firing,
		xMm: tidyMm(at.x, 0.1),
		yMm: tidyMm(at.y, 0.1),
		turnDeg: Math.round(degrees + 90) % 360,
	};
}
