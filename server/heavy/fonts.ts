import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { FontFiles } from "@formats/pdf-type";

const require = createRequire(import.meta.url);

/** The application's own letters first, then those of the alphabets it has not. All under the SIL Open Font Licence. */
const FACES = [
	"hanken-grotesk/files/hanken-grotesk-latin",
	"hanken-grotesk/files/hanken-grotesk-latin-ext",
	"hanken-grotesk/files/hanken-grotesk-vietnamese",
	"noto-sans/files/noto-sans-latin",
	"noto-sans/files/noto-sans-latin-ext",
	"noto-sans/files/noto-sans-cyrillic",
	"noto-sans/files/noto-sans-cyrillic-ext",
	"noto-sans/files/noto-sans-greek",
	"noto-sans/files/noto-sans-greek-ext",
	"noto-sans/files/noto-sans-devanagari",
	"noto-sans-hebrew/files/noto-sans-hebrew-hebrew",
	"noto-sans-arabic/files/noto-sans-arabic-arabic",
	"noto-sans-armenian/files/noto-sans-armenian-armenian",
	"noto-sans-georgian/files/noto-sans-georgian-georgian",
	"noto-sans-thai/files/noto-sans-thai-thai",
] as const;

let known: FontFiles | undefined;

/** The letters a PDF is written in; read once a thread. */
export function fontFiles(): FontFiles {
	const read = (weight: 400 | 700) =>
		FACES.map((face) => readFileSync(require.resolve(`@fontsource/${face}-${weight}-normal.woff`)));
	known ??= { plain: read(400), bold: read(700) };
	return known;
}
