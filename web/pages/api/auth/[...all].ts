import { words } from "@contract/fields";
import { ROLES } from "@contract/people";
import { enterDemo } from "@server/begin/enter-demo";
import { noteAudit } from "@server/house/audit";
import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { actorOf } from "@server/people/models/actor";
import { enter } from "@server/people/models/enter";
import { signIn } from "@server/people/models/sign-in";
import { tellPeople } from "@server/people/models/tell";
import { readJson, refusalResponse } from "@web/endpoint";
import type { APIRoute } from "astro";
import { z } from "zod";

const LARGEST_SIGN_IN_BYTES = 16 * 1024;
const asked = z.strictObject({
	email: words("The e-mail", 200, 1),
	password: z.string().max(200),
	code: z.string().max(40).optional(),
});

const demoRole = z.strictObject({ role: z.enum(ROLES) });

/** All of the sign-in library that is reached from outside: signing in by way of {@link enter}, and these. */
export const ALL: APIRoute = async ({ request, params, locals: { now } }) => {
	const { db } = database();
	try {
		switch (`${request.method} /${params.all}`) {
			case "POST /sign-in/email": {
				const parsed = asked.safeParse(await readJson(request, LARGEST_SIGN_IN_BYTES));
				if (!parsed.success) throw new Refusal("invalid", "Type an e-mail and a password.");
				return await enter(db, request, parsed.data, now);
			}
			case "POST /enter-demo": {
				const parsed = demoRole.safeParse(await readJson(request, LARGEST_SIGN_IN_BYTES));
				return await enterDemo(db, request, parsed.data?.role ?? "", now);
			}
			case "POST /sign-out": {
				const actor = await actorOf(request.headers, now);
				const response = await signIn().handler(request);
				if (!actor) return response;
				await noteAudit(db, "signedOut", "", { actor, now, headers: request.headers });
				await tellPeople(db);
				return response;
			}
			case "GET /get-session":
				return await signIn().handler(request);
			default:
				throw new Refusal("missing", "There is nothing here.");
		}
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};
