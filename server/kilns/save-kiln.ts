import { isDeepStrictEqual } from "node:util";
import type { KilnForm } from "@contract/documents/kiln";
import { recounted, SHELF_SHAPES } from "@core/kiln/record";
import { topClearMm } from "@core/loading/tiers";
import { type Phrase, say } from "@core/units/phrase";
import type { Transaction } from "@db/connect";
import { firingOf, plannedWithArea } from "@db/queries/firings";
import { type KilnRow, lastSort, lockKiln } from "@db/queries/kilns";
import { kiln } from "@db/schema";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { saved } from "../house/saved";
import { refuseLineTaken } from "./models/line-taken";

/** Writes a kiln down, new or known. What the studio counted or learned of it is not typed here, and stays. */
export const saveKiln: UseCase<"saveKiln"> = async ({ tx, ...asking }, { kiln: form, revision, anew }) => {
	refuseUnfit(form);
	const known = await lockKiln(tx, form.id);
	if (known) refuseForKnown(known, form, await firingOf(tx, known.id, "running"));
	if (known) await refuseLaidOn(tx, known, form);
	await refuseLineTaken(tx, form);
	if (known && !isDeepStrictEqual(known.permissions, form.permissions))
		await noteAudit(tx, "permissions", `${form.name}: ${steerWords(form.permissions)}`, asking);
	const record = recounted(known, form, anew);
	const body = { ...form.body, ...(known?.body.offsetK !== undefined && { offsetK: known.body.offsetK }) };
	const sort = known?.sort ?? (await lastSort(tx)) + 1;
	return { kilnId: form.id, revision: await saved(form.name, tx, kiln, { ...form, ...record, body, sort }, revision) };
};

const steerWords = ({ steer, start }: KilnForm["permissions"]) =>
	[steer ? "may be steered" : "only read", ...(start ? ["may be started with somebody there"] : [])].join(", ");

/** What does not fit together, with the field it is about. */
function refuseUnfit(form: KilnForm): void {
	const at = (field: string, sentence: string | Phrase) =>
		new Refusal("invalid", [{ path: ["kiln", field], sentence }]);
	if (form.line?.driver === "modbus" && form.permissions.start && !form.line.map.commands.start)
		throw at("permissions", "To start it from here its register map needs a start command.");
	const outside = form.zones.find(
		({ xMm, yMm, widthMm, heightMm }) =>
			xMm + widthMm > form.shelfWidthMm + 1 || yMm + heightMm > form.shelfHeightMm + 1,
	);
	if (outside) throw at("zones", `The zone “${outside.name}” reaches beyond the shelf.`);
	const off = form.fixtures.find(
		({ xMm, yMm, acrossMm }) =>
			Math.min(xMm, yMm) < acrossMm / 2 - 1 ||
			xMm + acrossMm / 2 > form.shelfWidthMm + 1 ||
			yMm + acrossMm / 2 > form.shelfHeightMm + 1,
	);
	if (off) throw at("fixtures", `A ${off.kind} stands beside the shelf.`);
	refuseUnfitShelves(form, at);
	if (form.shelfShape !== SHELF_SHAPES[0] && form.shelfWidthMm !== form.shelfHeightMm)
		throw at("shelfHeightMm", `A ${form.shelfShape} shelf is as deep as it is wide.`);
}

/** Least free height that is worth a shelf, mm. */
const LEAST_CLEAR_MM = 10;
/** A shelf stands on so many posts at least. */
const LEAST_POSTS = 3;

function refuseUnfitShelves(form: KilnForm, at: (field: string, sentence: string | Phrase) => Refusal): void {
	if (form.upper.length === 0) return;
	const top = topClearMm(form);
	if (top < LEAST_CLEAR_MM)
		throw at(
			"upper",
			say`The shelves with their posts are higher than the kiln: over the top one ${{ mm: top }} are left.`,
		);
	if (form.fixtures.filter(({ kind }) => kind === "post").length < LEAST_POSTS)
		throw at("upper", `An upper shelf stands on at least ${LEAST_POSTS} posts: write down where they stand.`);
}

/** Refused where an announced firing lies on a shelf that would be gone. */
async function refuseLaidOn(tx: Transaction, known: KilnRow, { upper }: KilnForm): Promise<void> {
	const above = (await plannedWithArea(tx)).find(
		({ kilnId, shelves }) => kilnId === known.id && shelves > upper.length + 1,
	);
	if (above)
		throw new Refusal(
			"conflict",
			`Firing ${above.number} is announced on ${above.shelves} shelves of this kiln: move it or call it off first.`,
		);
}

/** Watching and predicting a firing go by these: they hold still while one runs. */
const HELD_WHILE_RUNNING = {
	maxC: "highest temperature",
	maxSegments: "number of segments",
	line: "line",
	shelfWidthMm: "shelf",
	shelfHeightMm: "shelf",
	shelfShape: "shelf",
	upper: "shelves",
} as const;

function refuseForKnown(known: KilnRow, form: KilnForm, running: { number: number } | undefined): void {
	if (known.kind !== form.kind && known.uses > 0)
		throw new Refusal("conflict", "A kiln that has been fired keeps its kind.");
	if (!running) return;
	const { offsetK: _, ...body } = known.body;
	const held = Object.entries(HELD_WHILE_RUNNING).find(
		([key]) => !isDeepStrictEqual(known[key as keyof KilnRow], form[key as keyof KilnForm]),
	);
	const what = held?.[1] ?? (isDeepStrictEqual(body, form.body) ? undefined : "figures of how it heats");
	if (what)
		throw new Refusal(
			"conflict",
			`Firing ${running.number} is running by this kiln’s ${what}. Wait until it is opened.`,
		);
}
