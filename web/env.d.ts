/// <reference types="astro/client" />
declare namespace App {
	interface Locals {
		actor: import("@server/house/context").Actor | undefined;
		now: Date;
		/** Under this number the log has what went wrong. */
		request: string;
	}
}
