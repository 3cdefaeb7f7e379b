import type { APIRoute } from "astro";
import { signIn, withClientAddress } from "@server/access/sign-in";

export const ALL: APIRoute = ({ request, clientAddress }) => signIn().handler(withClientAddress(request, clientAddress));
