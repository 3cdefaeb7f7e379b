import { expect, it } from "vitest";
import { formatMass, METRIC, phraseText, say } from "./phrase";

it("writes one sentence in the reader's units", () => {
	const phrase = say`Peak ${{ c: 804 }} at ${{ cPerH: 333 }}, ${{ mm: 50.8 }} wide, ${{ min: 90 }}, ${{ g: 254.4 }}, Φ ${{ n: 4.946 }}`;
	expect(phraseText(phrase, METRIC)).toBe("Peak 804 °C at 333 °C/h, 51 mm wide, 1 h 30, 254 g, Φ 4.95");
	expect(phraseText(phrase, { length: "in", temperature: "F" })).toBe(
		"Peak 1479 °F at 599 °F/h, 2 in wide, 1 h 30, 254 g, Φ 4.95",
	);
});

it.each([
	[3.14, "3.1 g"],
	[254.4, "254 g"],
	[1234, "1.23 kg"],
])("%f g reads %s", (g, text) => expect(formatMass(g)).toBe(text));
