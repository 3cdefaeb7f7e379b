import type { Picture, Pictures, PieceBrief } from "@contract/views";
import { boundsOf } from "@core/geometry/region";
import { partOutline } from "@core/stack/kit";
import { inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { glass, kitVersion } from "../schema";

/** One picture for each kit version among the pieces, in fired colours. */
export async function picturesOf(reader: Reader, pieces: readonly PieceBrief[]): Promise<Pictures> {
	const ids = [...new Set(pieces.flatMap(({ kitVersionId }) => kitVersionId ?? []))];
	if (ids.length === 0) return {};
	const colours = new Map((await reader.select().from(glass)).map(({ id, firedColour }) => [id, firedColour]));
	const versions = await reader
		.select({ id: kitVersion.id, document: kitVersion.document })
		.from(kitVersion)
		.where(inArray(kitVersion.id, ids));
	return Object.fromEntries(
		versions.map(({ id, document }): [string, Picture] => {
			const rings = [...document.parts]
				.sort((a, b) => a.layer - b.layer)
				.map((part) => ({ colour: colours.get(part.glassId) ?? "#cccccc", ring: partOutline(part) }));
			const { minX, minY, widthMm, heightMm } = boundsOf(rings.map(({ ring }) => ring));
			const [cx, cy] = [minX + widthMm / 2, minY + heightMm / 2];
			const d = (ring: (typeof rings)[number]["ring"]) =>
				`M${ring.map(({ x, y }) => `${(x - cx).toFixed(1)} ${(cy - y).toFixed(1)}`).join("L")}Z`;
			return [id, { widthMm, heightMm, shapes: rings.map(({ colour, ring }) => ({ colour, d: d(ring) })) }];
		}),
	);
}
