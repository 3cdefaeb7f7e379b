import { signIn, withClientAddress } from "@server/access/sign-in";
import type { APIRoute } from "astro";

export const ALL: APIRoute = ({ request, clientAddress }) =>
	signIn().handler(withClientAddress(request, clientAddress));
