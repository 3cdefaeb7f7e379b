import { id } from "@contract/fields";
import { samplePicture } from "@server/glass/sample-picture";
import { webp } from "@web/endpoint";
import type { APIRoute } from "astro";

/** The picture of a sample. */
export const GET: APIRoute = async ({ params }) => {
	const known = id.safeParse(params.id);
	return webp(known.success ? await samplePicture(known.data) : undefined, "private, no-cache");
};
