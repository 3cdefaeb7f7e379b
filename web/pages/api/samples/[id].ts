import { sample } from "@db/schema";
import { database } from "@server/database";
import { CHANGED } from "@server/perform";
import { LARGEST_UPLOAD_BYTES, reencode } from "@server/reencode";
import { Refusal } from "@server/refusal";
import { answer, who } from "@web/endpoint";
import type { APIRoute } from "astro";
import { eq, sql } from "drizzle-orm";

const isId = (id: string | undefined): id is string => /^[0-9a-f-]{36}$/.test(id ?? "");

/** The picture of a sample. */
export const GET: APIRoute = async ({ params: { id } }) => {
	const [row] = isId(id)
		? await database().db.select({ picture: sample.picture }).from(sample).where(eq(sample.id, id))
		: [];
	if (!row?.picture) return new Response(null, { status: 404 });
	return new Response(new Uint8Array(row.picture), {
		headers: { "Content-Type": "image/webp", "Cache-Control": "private, no-cache" },
	});
};

/** A new picture of a sample, as the body's bytes. */
export const POST: APIRoute = (context) =>
	answer(async () => {
		if (who(context).actor.role !== "instructor") throw new Refusal("forbidden", "Only an instructor may do this.");
		const { id } = context.params;
		if (Number(context.request.headers.get("content-length") ?? 0) > LARGEST_UPLOAD_BYTES)
			throw new Refusal("tooMuch", `A photo may have at most ${LARGEST_UPLOAD_BYTES / 1024 / 1024} MB.`);
		const { image } = await reencode(Buffer.from(await context.request.arrayBuffer()), "picture");
		const { db } = database();
		const changed = isId(id)
			? await db.update(sample).set({ picture: image }).where(eq(sample.id, id)).returning({ id: sample.id })
			: [];
		if (changed.length === 0) throw new Refusal("missing", "This sample is not in the book.");
		await db.execute(sql`select pg_notify(${CHANGED}, 'sample')`);
		return { sampleId: id };
	});
