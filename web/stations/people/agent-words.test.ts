import { describe, expect, it } from "vitest";
import { agentWords } from "./agent-words";

// Forms of User-Agent as RFC 9110 10.1.5 and the browsers' makers describe them; written from memory.
describe("what somebody is signed in with", () => {
	it.each([
		["Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0", "Firefox, Windows"],
		["Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Version/18.0 Safari/604.1", "Safari, iPad"],
		["Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0.0.0 Mobile Safari/537.36", "Chrome, Android"],
		["Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0.0.0 Safari/537.36 Edg/140.0", "Edge, Windows"],
		["curl/8.5", "A program"],
		["", "A program"],
	])("%s", (agent, words) => {
		expect(agentWords(agent)).toBe(words);
	});
});
