import { id } from "@contract/fields";
import { addPhoto } from "@server/add-photo";
import { database } from "@server/database";
import { problemsOf } from "@server/perform";
import { LARGEST_UPLOAD_BYTES } from "@server/reencode";
import { Refusal } from "@server/refusal";
import { answer, who } from "@web/endpoint";
import type { APIRoute } from "astro";
import { z } from "zod";

const fields = z.strictObject({ pieceId: id, eventId: id });

/** A photo as the body's bytes, its piece and event id in the address. */
export const POST: APIRoute = (context) =>
	answer(async () => {
		const { searchParams } = context.url;
		const to = fields.safeParse({ pieceId: searchParams.get("piece"), eventId: searchParams.get("event") });
		if (!to.success) throw new Refusal("invalid", problemsOf(to.error));
		if (Number(context.request.headers.get("content-length") ?? 0) > LARGEST_UPLOAD_BYTES) {
			throw new Refusal("tooMuch", `A photo may have at most ${LARGEST_UPLOAD_BYTES / 1024 / 1024} MB.`);
		}
		return addPhoto(database().db, Buffer.from(await context.request.arrayBuffer()), to.data, who(context));
	});
