import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { FontFile, FontFiles } from "@formats/pdf-type";

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

/** Scripts of thousands of signs: Korean (SIL Open Font Licence), and kana with the Han signs of Japanese (Apache 2.0); each has one weight. */
const LARGE = [
	{ script: /\p{Script=Hangul}/u, face: "gowun-dodum/files/gowun-dodum-korean" },
	{
		script: /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\u3000-\u303f\uff00-\uffef]/u,
		face: "kosugi/files/kosugi-japanese",
	},
] as const;

const fileOf = (face: string, weight: number) =>
	readFileSync(require.resolve(`@fontsource/${face}-${weight}-normal.woff`));

let known: FontFiles | undefined;

/** The letters a PDF is written in; read once a thread. */
export function fontFiles(): FontFiles {
	const read = (weight: 400 | 700): FontFile[] => [
		...FACES.map((face) => fileOf(face, weight)),
		...LARGE.map(({ script, face }) => {
			let bytes: Uint8Array | undefined;
			return {
				script,
				read: () => {
					bytes ??= fileOf(face, 400);
					return bytes;
				},
			};
		}),
	];
	known ??= { plain: read(400), bold: read(700) };
	return known;
}
