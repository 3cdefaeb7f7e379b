import { useEffect, useRef } from "react";

/** What a key does; false where it means nothing just now, so that the browser's own meaning stands. */
type Does = (event: KeyboardEvent) => unknown;

/** By its name in small letters: "a", "escape", "ctrl+z", "ctrl+shift+z". Shift is named only with ctrl. */
export type Keys = Partial<Record<string, Does>>;

interface Options {
	/** Also while somebody types in a field. */
	whileTyping?: boolean;
	enabled?: boolean;
}

/** Whether what has the focus takes characters for itself. */
export const isTyping = (target: EventTarget | null): boolean =>
	target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** "ctrl+shift+z" of a press; Ctrl and the command key are one. */
export function keyName(event: KeyboardEvent): string {
	const key = event.key.toLowerCase();
	if (!event.ctrlKey && !event.metaKey) return key;
	return `ctrl+${event.shiftKey ? "shift+" : ""}${key}`;
}

/** What lies open over the page and has its own keys. */
const OVER_THE_PAGE = "dialog[open], [role=dialog]";

/** Keys of a page while it is shown: not while somebody types, never under an open dialog, nor what something already took. */
export function useKeys(keys: Keys, { whileTyping = false, enabled = true }: Options = {}): void {
	const latest = useRef(keys);
	latest.current = keys;
	useEffect(() => {
		if (!enabled) return;
		const onKey = (event: KeyboardEvent) => {
			if (event.defaultPrevented || document.querySelector(OVER_THE_PAGE)) return;
			if (!whileTyping && isTyping(event.target)) return;
			const does = latest.current[keyName(event)];
			if (does && does(event) !== false) event.preventDefault();
		};
		addEventListener("keydown", onKey);
		return () => removeEventListener("keydown", onKey);
	}, [whileTyping, enabled]);
}
