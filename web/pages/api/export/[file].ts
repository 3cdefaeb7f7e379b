import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { EXPORT_FILES, type ExportFile, exportEverything } from "@server/studio/export-everything";
import { refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** The studio's whole book to take away: everything.json, or everything.zip with a CSV a table and the photos. */
export const GET: APIRoute = async (context) => {
	const file = context.params.file as ExportFile;
	try {
		if (!Object.hasOwn(EXPORT_FILES, file)) throw new Refusal("missing", "There is no such export.");
		return new Response(await exportEverything(database(), file, who(context)), {
			headers: {
				"Content-Type": EXPORT_FILES[file],
				"Content-Disposition": `attachment; filename="${file}"`,
				"X-Content-Type-Options": "nosniff",
				"Cache-Control": "no-store",
			},
		});
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};
