import { photo } from "@db/schema";
import { database } from "@server/database";
import type { APIRoute } from "astro";
import { eq } from "drizzle-orm";

/** A photo, or its thumbnail with ?size=small. Photos never change: browsers may keep them. */
export const GET: APIRoute = async ({ params, url }) => {
	const small = url.searchParams.get("size") === "small";
	if (!/^[0-9a-f-]{36}$/.test(params.id ?? "")) return new Response(null, { status: 404 });
	const [row] = await database()
		.db.select({ image: small ? photo.thumbnail : photo.image })
		.from(photo)
		.where(eq(photo.id, params.id ?? ""));
	if (!row) return new Response(null, { status: 404 });
	return new Response(new Uint8Array(row.image), {
		headers: { "Content-Type": "image/webp", "Cache-Control": "private, max-age=31536000, immutable" },
	});
};
