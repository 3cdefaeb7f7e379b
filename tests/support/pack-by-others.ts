import { packer } from "guillotine-packer";
import { MaxRectsPacker, PACKING_LOGIC } from "maxrects-packer/dist/maxrects-packer.mjs";

interface Sides {
	widthMm: number;
	heightMm: number;
}

/** What two general packing libraries from the registry cover of one rectangle, mm²: the largest boxes first, quarter turns allowed. */
export function packedByOthers(
	boxes: readonly Sides[],
	{ widthMm, heightMm }: Sides,
): { free: number; straight: number } {
	const sorted = [...boxes].sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
	const library = new MaxRectsPacker(widthMm, heightMm, 0, {
		...{ smart: false, pot: false, square: false, allowRotation: true, logic: PACKING_LOGIC.MAX_AREA },
	});
	for (const box of sorted) library.add(box.widthMm, box.heightMm, {});
	const straight = packer(
		{
			...{ binWidth: widthMm, binHeight: heightMm },
			items: sorted.map((box, i) => ({ name: String(i), width: box.widthMm, height: box.heightMm })),
		},
		{ kerfSize: 0, allowRotation: true },
	);
	const area = (all: readonly { width: number; height: number }[] = []) =>
		all.reduce((sum, { width, height }) => sum + width * height, 0);
	const most = (bins: readonly (readonly { width: number; height: number }[])[]) => Math.max(0, ...bins.map(area));
	return { free: most(library.bins.map(({ rects }) => rects)), straight: most((straight ?? []).map((bin) => bin)) };
}
