import { ok, problem, type Result } from "../result";

/** "17 h 20", "45 min", "2 d 4 h": a length of time for a screen, from minutes. */
export function formatMinutes(minutes: number): string {
	const whole = Math.max(0, Math.round(minutes));
	if (whole < 60) return `${whole} min`;
	const hours = Math.floor(whole / 60);
	if (hours < 48) return whole % 60 === 0 ? `${hours} h` : `${hours} h ${String(whole % 60).padStart(2, "0")}`;
	const days = Math.floor(hours / 24);
	return hours % 24 === 0 ? `${days} d` : `${days} d ${hours % 24} h`;
}

/** "30", "1:30", "1 h 30", "90 min", "1.5 h" → minutes. */
export function parseMinutes(text: string): Result<number> {
	const plain = text.trim().toLowerCase().replace(",", ".");
	const clock = /^(\d{1,3}):([0-5]\d)$/.exec(plain);
	if (clock) return ok(Number(clock[1]) * 60 + Number(clock[2]));
	const words = /^(?:(\d+(?:\.\d+)?)\s*h)?\s*(?:(\d+(?:\.\d+)?)\s*(?:min|m)?)?$/.exec(plain);
	if (!words || plain === "") return problem([], `“${text.trim()}” is not a length of time, like 30, 1:30 or 1 h 30.`);
	return ok(Number(words[1] ?? 0) * 60 + Number(words[2] ?? 0));
}
