import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { shippedIn } from "./licences";

/** Licences that ask for no more than their text and the names of who wrote it. Source: SPDX licence list. */
const FREE =
	/^\(?(MIT|MIT-0|ISC|0BSD|BSD-[23]-Clause|BSL-1\.0|Apache-2\.0|OFL-1\.1|Unlicense|CC0-1\.0|CC-BY-4\.0|Python-2\.0|BlueOak-1\.0\.0|Zlib)( (OR|AND) [\w.-]+)*\)?$/;
/**
 * Under other terms, and why that does: what sharp decodes images with is a library of its own beside it, the compiler of style sheets is
 * used to build and unchanged, and one package says its licence (MIT) in a file only.
 */
const LOOKED_AT = /^(@img\/sharp-.*|lightningcss(-.*)?|zod-to-ts)$/;

describe("what is shipped", () => {
	const shipped = shippedIn(JSON.parse(readFileSync("package-lock.json", "utf8")));

	it("is under a licence that may be shipped, each package of it", () => {
		const others = shipped.filter(({ name, licence }) => !FREE.test(licence) && !LOOKED_AT.test(name));
		expect(others.map(({ name, licence }) => `${name}: ${licence}`)).toEqual([]);
	});

	it("has fonts under the SIL Open Font Licence, but for one", () => {
		const fonts = shipped.filter(({ font }) => font);
		expect(fonts.length).toBeGreaterThan(5);
		expect(
			fonts.filter(({ licence }) => licence !== "OFL-1.1").map(({ name, licence }) => `${name} ${licence}`),
		).toEqual(["@fontsource/kosugi Apache-2.0"]);
	});
});
