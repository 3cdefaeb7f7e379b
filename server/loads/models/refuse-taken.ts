import type { CalendarFiring } from "@contract/loads";
import { groupBy } from "@core/group-by";
import type { Mould } from "@core/kit/mould";
import { lockMoulds } from "@db/queries/glass";
import type { KilnRow } from "@db/queries/kilns";
import { clockNear } from "@formats/time";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { refuseClosed } from "../../kilns/models/out-of-service";
import { calendarFirings } from "./calendar";
import { houseSpans } from "./house-spans";

interface Hours {
	kiln: KilnRow;
	/** Null: as soon as the kiln is free. */
	startsAt: Date | null;
	openS: number;
	/** Its own hours are no other's. */
	firingId: string;
	pieces: readonly { mould?: Mould | undefined }[];
}

/** A page may be open so long before what it planned is announced, ms. */
const LATE_MS = 15 * 60_000;

/** Refused where the hour is past, the kiln is out of service, or another firing has kiln or moulds in those hours. */
export async function refuseTaken({ tx, now, studio }: Context, wanted: Hours): Promise<void> {
	const { kiln, startsAt, openS, firingId, pieces } = wanted;
	const { timeZone } = studio;
	if (startsAt && startsAt.getTime() < now.getTime() - LATE_MS)
		throw new Refusal("conflict", "The hour it was to be started at is past. Load the page again for a new plan.");
	// Whoever wants the same moulds waits: two loads at once would each see them free.
	await lockMoulds(tx, [...new Set(pieces.flatMap(({ mould }) => mould?.id ?? []))].sort());
	const { there } = houseSpans(studio, now, 21);
	const others = (await calendarFirings(tx, now, there, timeZone)).filter(({ id }) => id !== firingId);
	const here = others.filter(({ kilnId }) => kilnId === kiln.id);
	const from = startsAt?.getTime() ?? Math.max(now.getTime(), ...here.map(({ to }) => to));
	const until = from + openS * 1000;
	refuseClosed(kiln, now, timeZone, from, until);
	const meanwhile = others.filter((other) => from < other.coolMs && until > other.from);
	const clash = startsAt && meanwhile.find(({ kilnId }) => kilnId === kiln.id);
	const clockOf = (ms: number) => clockNear(new Date(ms), now, timeZone);
	if (clash)
		throw new Refusal(
			"conflict",
			`Firing ${clash.number} has this kiln from ${clockOf(clash.from)} until ${clockOf(clash.coolMs)}. Choose another hour or kiln.`,
		);
	const short = mouldShort(pieces, meanwhile);
	if (short)
		throw new Refusal(
			"conflict",
			`“${short.mould.name}” lies in firing ${short.firing.number} until ${clockOf(short.firing.coolMs)}: ${short.free === 0 ? "none is" : `${short.free} of ${short.mould.count} are`} left, and this load needs ${short.needs}. Choose a later hour, or leave pieces out.`,
		);
}

/** A mould of which firings in the same hours leave too few, with the one that is opened first. */
function mouldShort(pieces: Hours["pieces"], meanwhile: readonly CalendarFiring[]) {
	const on = pieces.flatMap(({ mould }) => mould ?? []);
	for (const [id, its] of groupBy(on, (mould) => mould.id)) {
		const mould = its[0] as Mould;
		const over = meanwhile.filter(({ moulds }) => moulds[id]).sort((a, b) => a.coolMs - b.coolMs);
		const free = Math.max(0, mould.count - over.reduce((sum, { moulds }) => sum + (moulds[id] ?? 0), 0));
		if (over[0] && its.length > free) return { mould, needs: its.length, free, firing: over[0] };
	}
	return undefined;
}
