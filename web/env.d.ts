/// <reference types="astro/client" />
declare namespace App {
	interface Locals {
		actor: import("@server/house/perform").Actor | undefined;
		now: Date;
	}
}
