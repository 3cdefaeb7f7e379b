import { mostOf } from "../extremes";
import { LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { outerRing } from "../geometry/outer-ring";
import { turnedOver } from "../geometry/turned-over";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { Body } from "../stack/bodies";
import { touchesDarkAndWhite, trappedSpanMm } from "../stack/contacts";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { heightsFound, reliefLeft } from "../stack/heights-found";
import { onShelf } from "../stack/on-shelf";
import type { Stack } from "../stack/stack";
import { isHeldBy, standsIn } from "../stack/walls";
import type { KitBody, PieceBody } from "./piece-body";

/** A kit laid up for one firing, as the body that piece and schedule go by. */
export function kitBody(stack: Stack): KitBody {
	const { glass, rests, areaMm2, volumeMm3, level, hadLevel, step, isLater } = stack;
	const box = boundsOf(glass.flatMap(({ region }) => region));
	const bodies = stack.bodies.map(({ parts }) => boundsOf(parts.flatMap(({ region }) => region)));
	const { laidThickestMm, laidThinnestMm, ...found } = heightsFound(stack);
	const { thickestMm, thinnestMm, insertMm = 0, aroundMm = 0, narrowMm = 0, alone } = found;
	const isMixed = glass.some(({ fused }) => fused) && glass.some(({ fused }) => !fused);
	return {
		...{ level, ...(hadLevel && { hadLevel }), turnedOver: step.turnedOver === true },
		opaqueBelow: onShelf(stack).some((one) => one.glass?.opacity === "opalescent"),
		...{ widthMm: box.widthMm, heightMm: box.heightMm, bodies: bodies.length },
		acrossMm: mostOf(
			bodies.map(({ widthMm, heightMm }) => Math.max(widthMm, heightMm)),
			0,
		),
		...{ narrowMm, thickestMm, thinnestMm, laidThickestMm, laidThinnestMm, insertMm, aroundMm, areaMm2 },
		...(alone && { alone }),
		...heldBy(stack),
		meanMm: areaMm2 > 0 ? volumeMm3 / areaMm2 : 0,
		massG: volumeMm3 * DENSITY_G_PER_MM3,
		// What carried it in the firing before is no longer under it.
		highMm: mostOf(isLater ? [] : rests.map(({ restMm, part }) => restMm + part.bulkMm), laidThickestMm + insertMm),
		trappedSpanMm: trappedSpanMm(isLater ? glass : stack.lain),
		blackBesideWhite: touchesDarkAndWhite(stack.contacts),
		fired: glass.some(({ fused, glasses }) => fused || glasses.some((one) => one.fused)),
		addsGlass: isMixed,
		leaves: glass.length > 0 ? reliefLeft(stack, glass, LEVEL_AIM[level]) : 1,
	};
}

/** Walls that hold its edge, and walls that take room beside it. */
function heldBy({ bodies, walls, step, glass }: Stack): Pick<KitBody, "held" | "wall"> {
	const holds = ({ parts }: Body) => walls.some((wall) => isHeldBy(wall, parts));
	const stand = standsIn(step) ? walls.flatMap(({ dam }) => dam ?? []) : [];
	const around = outerRing([...stand, ...glass].map(({ region }) => region));
	return {
		...(bodies.length > 0 && bodies.every(holds) && { held: true }),
		...(stand.length > 0 && {
			wall: {
				outline: step.turnedOver ? turnedOver(around) : around,
				highMm: mostOf(stand.map(({ bulkMm }) => bulkMm)),
			},
		}),
	};
}

/** The kit itself as a piece: nobody has made one yet. */
export function asPiece(kit: KitBody): PieceBody {
	const { addsGlass: _, leaves: __, bodies: ___, laidThickestMm: _1, laidThinnestMm: _2, ...body } = kit;
	return { ...body, effectiveMm: effectiveThicknessMm(kit, kit.level, kit.hadLevel), from: "kit" };
}
