import { mostOf } from "../extremes";
import { LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import { touchesDarkAndWhite, trappedSpanMm } from "../stack/contacts";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { heightsFound, reliefLeft } from "../stack/heights-found";
import { onShelf } from "../stack/on-shelf";
import type { Stack } from "../stack/stack";
import type { KitBody, PieceBody } from "./piece-body";

/** A kit laid up for one firing, as the body that piece and schedule go by. */
export function kitBody(stack: Stack): KitBody {
	const { glass, rests, areaMm2, volumeMm3, level, hadLevel, step, isLater } = stack;
	const box = boundsOf(glass.flatMap(({ region }) => region));
	const bodies = stack.bodies.map(({ parts }) => boundsOf(parts.flatMap(({ region }) => region)));
	const { thickestMm, thinnestMm, insertMm = 0, aroundMm = 0, narrowMm = 0 } = heightsFound(stack);
	const isMixed = glass.some(({ fused }) => fused) && glass.some(({ fused }) => !fused);
	return {
		...{ level, ...(hadLevel && { hadLevel }), turnedOver: step.turnedOver === true },
		opaqueBelow: onShelf(stack).some((one) => one.glass?.opacity === "opalescent"),
		...{ widthMm: box.widthMm, heightMm: box.heightMm, bodies: bodies.length },
		acrossMm: mostOf(
			bodies.map(({ widthMm, heightMm }) => Math.max(widthMm, heightMm)),
			0,
		),
		...{ narrowMm, thickestMm, thinnestMm, insertMm, aroundMm, areaMm2 },
		meanMm: areaMm2 > 0 ? volumeMm3 / areaMm2 : 0,
		massG: volumeMm3 * DENSITY_G_PER_MM3,
		// What carried it in the firing before is no longer under it.
		highMm: mostOf(isLater ? [] : rests.map(({ restMm, part }) => restMm + part.bulkMm), thickestMm + insertMm),
		trappedSpanMm: trappedSpanMm(isLater ? glass : stack.lain),
		blackBesideWhite: touchesDarkAndWhite(stack.contacts),
		fired: glass.some(({ fused }) => fused),
		addsGlass: isMixed,
		leaves: glass.length > 0 ? reliefLeft(stack, glass, LEVEL_AIM[level]) : 1,
	};
}

/** The kit itself as a piece: nobody has made one yet. */
export function asPiece(kit: KitBody): PieceBody {
	const { addsGlass: _, leaves: __, bodies: ___, ...body } = kit;
	return { ...body, effectiveMm: effectiveThicknessMm(kit, kit.level, kit.hadLevel), from: "kit" };
}
