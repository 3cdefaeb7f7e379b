import { useEffect } from "react";
import { readCode } from "@core/journey/code";
import type { Station } from "@contract/views";
import { STATION_PATHS } from "./rail";

/** Characters nearer together than this (ms) come from a scanner, not from fingers. */
const BURST_MS = 45;

const inField = (target: EventTarget | null) =>
	target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/**
 * Keys of the whole frame: 1–8 stations, 0 today, / find, ? keys. A scanner's burst ending in Enter is always a code,
 * also while a field has the focus, and never keys.
 */
export function useFrameKeys(): void {
	useEffect(() => {
		let burst = "";
		let lastMs = 0;
		let pending: ReturnType<typeof setTimeout> | undefined;
		const onKey = (event: KeyboardEvent) => {
			if (event.ctrlKey || event.metaKey || event.altKey) return;
			const fast = event.timeStamp - lastMs < BURST_MS;
			lastMs = event.timeStamp;
			if (event.key === "Enter") {
				const code = fast ? readCode(burst) : undefined;
				burst = "";
				if (code) {
					event.preventDefault();
					clearTimeout(pending);
					location.assign(`/piece/${code}`);
				}
				return;
			}
			if (event.key.length !== 1) return;
			burst = fast ? burst + event.key : event.key;
			if (inField(event.target)) return;
			clearTimeout(pending);
			if (burst.length > 1) return;
			if (event.key === "/" || event.key === "?") {
				event.preventDefault();
				dispatchEvent(new Event(event.key === "/" ? "zephyr-find" : "zephyr-keys"));
				return;
			}
			const station = (Object.keys(STATION_PATHS) as Station[])[Number(event.key) - 1];
			const path = event.key === "0" ? "/" : station && STATION_PATHS[station];
			if (path) pending = setTimeout(() => location.assign(path), BURST_MS + 20);
		};
		addEventListener("keydown", onKey);
		return () => removeEventListener("keydown", onKey);
	}, []);
}
