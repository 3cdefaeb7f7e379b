import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { knownParams } from "@server/house/see";
import { shoppingPaperOf } from "@server/stock/papers";
import { fileResponse, readerUnits, refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** The shopping list of ?session and ?also. */
export const GET: APIRoute = async (context) => {
	try {
		const asking = who(context);
		const params = knownParams("shopping", Object.fromEntries(context.url.searchParams));
		const units = await readerUnits(context);
		return fileResponse(await shoppingPaperOf(database().db, asking, params, units));
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};
