import { clashes, type Slot } from "@core/calendar/clash";
import type { Transaction } from "@db/connect";
import { lockCalendar, slotsOn } from "@db/queries/courses";
import { dayWords } from "@formats/time";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";

/** Where in what was sent an evening stands. */
type Path = (string | number)[];

export interface Wished extends Slot {
	path: Path;
	/** The field a clash is told at; its beginning where nothing is said. */
	clashAt?: string;
}

/**
 * That new or moved evenings are from today on, and the room is theirs: a sentence for each that is not.
 * @param leaving evenings whose present time does not count: they are moved with these
 */
export async function refuseUnfit(
	tx: Transaction,
	{ now, studio }: Pick<Context, "now" | "studio">,
	today: string,
	wished: readonly Wished[],
	leaving: readonly string[] = [],
): Promise<void> {
	if (wished.length === 0) return;
	const said = (day: string) => dayWords(day, now, studio.timeZone);
	const past = wished.filter(({ day }) => day < today);
	if (past.length > 0)
		throw new Refusal(
			"invalid",
			past.map(({ day, path }) => ({
				path: [...path, "day"],
				sentence: `${said(day)} is over. Choose a day from today on.`,
			})),
		);
	await lockCalendar(tx);
	const there = await slotsOn(tx, [...new Set(wished.map(({ day }) => day))]);
	const others = there.filter(({ id }) => !leaving.includes(id));
	const problems = wished.flatMap((one) => {
		const other = others.find((taken) => clashes(one, taken));
		const twin = wished.find((twice) => clashes(one, twice));
		if (!other && !twin) return [];
		const sentence = other
			? `“${other.title}” has ${other.room} on ${said(other.day)} from ${other.startsAt} to ${other.endsAt}. Choose another time or room.`
			: `Two of these evenings are in ${one.room} at the same time on ${said(one.day)}.`;
		return [{ path: [...one.path, one.clashAt ?? "startsAt"], sentence }];
	});
	if (problems.length > 0) throw new Refusal("conflict", problems);
}
