import { noteAudit } from "@server/house/audit";
import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { kitFileOf } from "@server/kits/files";
import { fileResponse, readerUnits, refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** A kit to take away: kit.json, kit.svg, kit.dxf or kit.pdf, with ?version, ?palette and ?paper. */
export const GET: APIRoute = async (context) => {
	try {
		const asking = who(context);
		const { searchParams } = context.url;
		const version = searchParams.get("version");
		const file = await kitFileOf(database().db, {
			kitId: context.params.id ?? "",
			file: context.params.file ?? "",
			version: version === null ? undefined : Number(version),
			palette: searchParams.get("palette") ?? undefined,
			paper: searchParams.get("paper") ?? undefined,
			units: await readerUnits(context),
		});
		await noteAudit(database().db, "exported", file.name, asking);
		return fileResponse(file);
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};
