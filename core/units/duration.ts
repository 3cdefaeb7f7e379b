/** "17 h 20", "45 min", "2 d 4 h": a length of time for a screen, from minutes. */
export function formatMinutes(minutes: number): string {
	const whole = Math.max(0, Math.round(minutes));
	if (whole < 60) return `${whole} min`;
	const hours = Math.floor(whole / 60);
	if (hours < 48) return whole % 60 === 0 ? `${hours} h` : `${hours} h ${String(whole % 60).padStart(2, "0")}`;
	const days = Math.floor(hours / 24);
	return hours % 24 === 0 ? `${days} d` : `${days} d ${hours % 24} h`;
}
