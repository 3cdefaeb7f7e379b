import sharp from "sharp";
import { Refusal } from "./refusal";

export const LARGEST_UPLOAD_BYTES = 15 * 1024 * 1024;

const LARGEST_PIXELS = 60_000_000;

const KEEP_PX = 1600;

const THUMBNAIL_PX = 240;

const READABLE = ["jpeg", "png", "webp"] as const;

/** How files of these begin; no decoder sees any other. Source: ISO 10918-1 (JPEG), ISO 15948 (PNG), RFC 9649 (WebP). */
function beginsAsPhoto(bytes: Buffer): boolean {
	const text = (from: number, to: number) => bytes.toString("latin1", from, to);
	return (
		text(0, 3) === "\xff\xd8\xff" ||
		text(0, 8) === "\x89PNG\r\n\x1a\n" ||
		(text(0, 4) === "RIFF" && text(8, 12) === "WEBP")
	);
}

/** A picture as it is kept: WebP, with its size and a square thumbnail. */
export interface Reencoded {
	image: Buffer;
	thumbnail: Buffer;
	widthPx: number;
	heightPx: number;
}

/**
 * A picture as it is kept: what it is comes from its bytes, not its name; it is turned upright, shrunk and written anew, so
 * that position and camera data do not survive.
 */
export async function reencode(bytes: Buffer, field: string): Promise<Reencoded> {
	if (bytes.length > LARGEST_UPLOAD_BYTES)
		throw new Refusal("tooMuch", `A photo may have at most ${LARGEST_UPLOAD_BYTES / 1024 / 1024} MB.`);
	try {
		if (!beginsAsPhoto(bytes)) throw new Error("format");
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
			{ path: [field], sentence: "This file is not a photo that can be read here. Send a JPEG, PNG or WebP." },
		]);
	}
}

/** The image that came with an action. */
export function kept({ upload }: { upload: Reencoded | undefined }): Reencoded {
	if (!upload) throw new Error("this action asks for no image");
	return upload;
}
