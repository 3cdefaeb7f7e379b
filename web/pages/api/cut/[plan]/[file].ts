import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { cutMapOf } from "@server/stock/papers";
import { fileResponse, readerUnits, refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** The cut map of a plan's sheet, counted from 0: 0.pdf on one page, with ?scale=full true to scale over several. */
export const GET: APIRoute = async (context) => {
	try {
		who(context);
		return fileResponse(
			await cutMapOf(database().db, {
				planId: context.params.plan ?? "",
				file: context.params.file ?? "",
				scale: context.url.searchParams.get("scale") === "full" ? "full" : "fit",
				units: await readerUnits(context),
			}),
		);
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};
