import { type Chemistry, type Glass, PLAIN_SHEET } from "./glass";

/** What a glass room usually has, in plain words, to be ticked off when a book is begun. Colours are made up; prices are not known. */
const SHEETS: [
	id: string,
	name: string,
	opacity: Glass["opacity"],
	colour: string,
	chemistry?: Chemistry,
	tone?: Glass["tone"],
][] = [
	["clear", "clear", "clear", "#dfeae6"],
	["black", "black", "opalescent", "#26292a", undefined, "dark"],
	["white", "white", "opalescent", "#f4f3ee", undefined, "white"],
	["cream", "cream", "opalescent", "#efe4c8"],
	["grey", "grey", "opalescent", "#8d979b"],
	["yellow", "yellow", "opalescent", "#e7c341", "selenium"],
	["orange", "orange", "opalescent", "#df8432", "selenium"],
	["red", "red", "opalescent", "#b23430", "selenium"],
	["brown", "brown", "opalescent", "#7a5337"],
	["grass-green", "grass green", "opalescent", "#5d8f45"],
	["turquoise", "turquoise", "opalescent", "#4aa7a5", "copper"],
	["sky-blue", "sky blue", "transparent", "#93c3dd", "copper"],
	["deep-blue", "deep blue", "transparent", "#33508c"],
	["violet", "violet", "transparent", "#6f4f8d"],
	["bottle-green", "bottle green", "transparent", "#3f7458"],
	["amber", "amber", "transparent", "#bb8436", "sulphur"],
];

/** The starter list of one family. Ids carry the family, so that both may be had. */
export function starterGlass(familyId: string): Glass[] {
	const base = { ...PLAIN_SHEET, familyId };
	const own = (id: string) => `${id}-${familyId}`;
	const sheets = SHEETS.map(
		([id, name, opacity, colour, chemistry, tone]): Glass => ({
			...base,
			id: own(id),
			name,
			opacity,
			tone: tone ?? "other",
			chemistry: chemistry ? [chemistry] : [],
			boughtColour: colour,
			firedColour: colour,
		}),
	);
	const like = (name: string, from: string, change: Partial<Glass>): Glass => {
		const sheet = sheets.find(({ id }) => id === own(from)) as Glass;
		return { ...sheet, id: own(name.replaceAll(/[^a-z]+/g, "-")), name, ...change };
	};
	return [
		...sheets,
		like("clear, thin", "clear", { thicknessMm: 2 }),
		like("black, thin", "black", { thicknessMm: 2 }),
		like("clear, coarse frit", "clear", { form: "frit", grade: "coarse", thicknessMm: 0 }),
		like("clear powder", "clear", { form: "frit", grade: "powder", thicknessMm: 0 }),
		like("white, fine frit", "white", { form: "frit", grade: "fine", thicknessMm: 0 }),
		like("deep blue, fine frit", "deep-blue", { form: "frit", grade: "fine", thicknessMm: 0 }),
		like("black thread", "black", { form: "stringer", thicknessMm: 1 }),
		like("white thread", "white", { form: "stringer", thicknessMm: 1 }),
	];
}
