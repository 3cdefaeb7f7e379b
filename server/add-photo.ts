import type { Database } from "@db/connect";
import { loadStudio } from "@db/queries/studio";
import { photo } from "@db/schema";
import { sql } from "drizzle-orm";
import sharp from "sharp";
import { type Actor, CHANGED } from "./perform";
import { recordStep } from "./record";
import { Refusal } from "./refusal";

export const LARGEST_UPLOAD_BYTES = 15 * 1024 * 1024;
const LARGEST_PIXELS = 60_000_000;
const KEEP_PX = 1600;
const THUMBNAIL_PX = 240;
const READABLE = ["jpeg", "png", "webp"] as const;

/**
 * Keeps a photo of a piece: what it is comes from its bytes, not its name; it is turned upright, shrunk and written
 * anew, so that position and camera data do not survive.
 */
export async function addPhoto(
	db: Database,
	bytes: Buffer,
	to: { pieceId: string; eventId: string },
	who: { actor: Actor; now: Date; headers: Headers },
): Promise<{ photoId: string }> {
	if (bytes.length > LARGEST_UPLOAD_BYTES)
		throw new Refusal("tooMuch", `A photo may have at most ${LARGEST_UPLOAD_BYTES / 1024 / 1024} MB.`);
	const made = await reencode(bytes);
	return db.transaction(async (tx) => {
		const studio = await loadStudio(tx);
		const { repeated } = await recordStep(
			{ tx, studio, ...who },
			{ ...to, data: { type: "photographed", photoId: to.eventId } },
		);
		if (!repeated) await tx.insert(photo).values({ id: to.eventId, pieceId: to.pieceId, takenAt: who.now, ...made });
		await tx.execute(sql`select pg_notify(${CHANGED}, 'photo')`);
		return { photoId: to.eventId };
	});
}

async function reencode(bytes: Buffer) {
	try {
		const source = sharp(bytes, { limitInputPixels: LARGEST_PIXELS, failOn: "error" });
		const { format } = await source.metadata();
		if (!READABLE.includes(format as (typeof READABLE)[number])) throw new Error("format");
		const upright = source.rotate();
		const { data: image, info } = await upright
			.clone()
			.resize({ width: KEEP_PX, height: KEEP_PX, fit: "inside", withoutEnlargement: true })
			.webp({ quality: 82 })
			.toBuffer({ resolveWithObject: true });
		const thumbnail = await upright
			.clone()
			.resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: "cover" })
			.webp({ quality: 75 })
			.toBuffer();
		return { image, thumbnail, widthPx: info.width, heightPx: info.height };
	} catch {
		throw new Refusal("invalid", [
			{ path: ["photo"], sentence: "This file is not a photo that can be read here. Send a JPEG, PNG or WebP." },
		]);
	}
}
