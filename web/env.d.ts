/// <reference types="astro/client" />
declare namespace App {
	interface Locals {
		actor: import("../server/perform").Actor | undefined;
		now: Date;
	}
}
