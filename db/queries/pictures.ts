import type { Picture, Pictures } from "@contract/kits";
import type { PieceBrief } from "@contract/pieces";
import { byId } from "@core/by-id";
import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import { drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";
import { inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { kitVersion } from "../schema";
import { loadGlass } from "./glass";

/** One picture for each kit version among the pieces, in fired colours. */
export async function picturesOf(reader: Reader, pieces: readonly PieceBrief[]): Promise<Pictures> {
	const ids = [...new Set(pieces.flatMap(({ kitVersionId }) => kitVersionId ?? []))];
	if (ids.length === 0) return {};
	const glasses = byId((await loadGlass(reader)).glasses);
	const versions = await reader
		.select({ id: kitVersion.id, document: kitVersion.document })
		.from(kitVersion)
		.where(inArray(kitVersion.id, ids));
	return Object.fromEntries(versions.map(({ id, document }): [string, Picture] => [id, pictureOf(document, glasses)]));
}

/** A kit in fired colours, without what is not glass. */
export function pictureOf(design: KitDesign, glasses: ReadonlyMap<string, Glass>): Picture {
	const drawn = drawnParts(design, glasses).filter(({ part }) => part.kind !== "fibre" && part.kind !== "dam");
	const { minX, minY, widthMm, heightMm } = boundsOf(drawn.flatMap(({ region }) => region));
	const [cx, cy] = [minX + widthMm / 2, minY + heightMm / 2];
	const d = (ring: Ring) => `M${ring.map(({ x, y }) => `${(x - cx).toFixed(1)} ${(cy - y).toFixed(1)}`).join("L")}Z`;
	return {
		widthMm,
		heightMm,
		shapes: drawn.map(({ region, firedColour }) => ({ colour: firedColour, d: region.map(d).join("") })),
	};
}
