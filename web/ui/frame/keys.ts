import { readCode } from "@core/journey/code";
import type { Station } from "@core/studio/stations";
import { useEffect } from "react";
import { isTyping } from "../../lib/use-keys";
import { ASK_HELP } from "./ask-help";
import { STATION_PATHS } from "./rail";

/** Characters nearer together than this (ms) come from a scanner, not from fingers. */
const BURST_MS = 45;

/** Gathers characters that come as fast as a scanner's; tells the burst so far with each of them. */
class Burst {
	private text = "";
	private lastMs = Number.NEGATIVE_INFINITY;

	/** Adds a character; true while the burst has only this one, so that it may be a key. */
	add(character: string, atMs: number): boolean {
		const fast = atMs - this.lastMs < BURST_MS;
		this.text = fast ? this.text + character : character;
		this.lastMs = atMs;
		return this.text.length === 1;
	}

	/** The piece code that Enter ends, if a scanner typed one. */
	end(atMs: number): string | undefined {
		const code = atMs - this.lastMs < BURST_MS ? readCode(this.text) : undefined;
		this.text = "";
		return code;
	}
}

/** Where a key of the frame leads; undefined for others. */
function pathOf(key: string): string | undefined {
	if (key === "0") return "/";
	const station = (Object.keys(STATION_PATHS) as Station[])[Number(key) - 1];
	return station && STATION_PATHS[station];
}

const SIGNALS: Record<string, string> = { "/": "zephyr-find", "?": ASK_HELP };

/** Goes where a lone key leads, a moment later: unless a second character shows that a scanner is typing. */
function followKey(event: KeyboardEvent): ReturnType<typeof setTimeout> | undefined {
	const signal = SIGNALS[event.key];
	const path = pathOf(event.key);
	if (signal) {
		event.preventDefault();
		return setTimeout(() => dispatchEvent(new Event(signal)), BURST_MS);
	}
	return path === undefined ? undefined : setTimeout(() => location.assign(path), BURST_MS);
}

/**
 * Keys of the whole frame: 1–8 stations, 0 today, / find, ? keys. A scanner's burst ending in Enter is always a code,
 * also while a field has the focus, and never keys.
 */
export function useFrameKeys(): void {
	useEffect(() => {
		const burst = new Burst();
		let pending: ReturnType<typeof setTimeout> | undefined;
		const onEnter = (event: KeyboardEvent) => {
			const code = burst.end(event.timeStamp);
			if (!code) return;
			event.preventDefault();
			location.assign(`/piece/${code}`);
		};
		const onKey = (event: KeyboardEvent) => {
			if (event.ctrlKey || event.metaKey || event.altKey) return;
			if (event.key === "Enter") return onEnter(event);
			if (event.key.length !== 1) return;
			clearTimeout(pending);
			const alone = burst.add(event.key, event.timeStamp);
			if (alone && !isTyping(event.target)) pending = followKey(event);
		};
		addEventListener("keydown", onKey);
		document.documentElement.dataset.ready = "";
		return () => removeEventListener("keydown", onKey);
	}, []);
}
