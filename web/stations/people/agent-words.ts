/** Words of a browser's own description, the more particular first. */
const BROWSERS: [RegExp, string][] = [
	[/Edg\//, "Edge"],
	[/OPR\//, "Opera"],
	[/Firefox\//, "Firefox"],
	[/HeadlessChrome\/|Chrome\//, "Chrome"],
	[/Safari\//, "Safari"],
];
const SYSTEMS: [RegExp, string][] = [
	[/iPad/, "iPad"],
	[/iPhone/, "iPhone"],
	[/Android/, "Android"],
	[/Windows/, "Windows"],
	[/Mac OS X/, "Mac"],
	[/Linux/, "Linux"],
];

/** What somebody is signed in with, in two words: "Firefox, Windows". */
export function agentWords(agent: string): string {
	const word = (words: [RegExp, string][]) => words.find(([pattern]) => pattern.test(agent))?.[1];
	return [word(BROWSERS), word(SYSTEMS)].filter(Boolean).join(", ") || "A program";
}
