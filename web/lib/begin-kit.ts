import type { KitDesign } from "@core/kit/kit";

const KEPT_AS = "zephyr-new-kit";

/** Opens the bench with a new kit that starts as this one. */
export function beginKitFrom(design: KitDesign): void {
	sessionStorage.setItem(KEPT_AS, JSON.stringify(design));
	location.assign(`/kits/${crypto.randomUUID()}`);
}

/** What a new kit starts from, once: text of a design; null where it starts empty. */
export function takeBegunKit(): string | null {
	const text = sessionStorage.getItem(KEPT_AS);
	sessionStorage.removeItem(KEPT_AS);
	return text;
}
