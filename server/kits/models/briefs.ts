import type { KitBrief, ListedKit } from "@contract/kits";
import { inUse } from "@core/glass/glass";
import { coursesByKit, kitsWithIssued } from "@db/queries/kits";
import type { ViewContext } from "../../house/view";

type Row = Awaited<ReturnType<typeof kitsWithIssued>>[number];

const briefOf = ({ kit, issued }: Row): KitBrief => ({
	id: kit.id,
	revision: kit.revision,
	document: kit.document,
	reading: kit.reading,
	issued,
	retired: kit.retired,
});

/** One kit as it is now. */
export async function kitBrief({ db }: ViewContext, id: string): Promise<KitBrief | undefined> {
	const [row] = await kitsWithIssued(db, id);
	return row && briefOf(row);
}

/** Kits that can be issued, by name. */
export const kitBriefs = async ({ db }: ViewContext): Promise<KitBrief[]> =>
	inUse((await kitsWithIssued(db)).map(briefOf));

/** All kits, put away or not, with what a list is sorted and sifted by. */
export async function listedKits({ db, studio }: ViewContext): Promise<ListedKit[]> {
	const [rows, courses] = await Promise.all([kitsWithIssued(db), coursesByKit(db)]);
	return rows.map((row) => ({
		...briefOf(row),
		usedAt: row.usedAt.toISOString(),
		hours:
			row.kit.hoursAt.find(({ warmUp, cooling }) => warmUp === studio.warmUpSchool && cooling === studio.coolingSchool)
				?.hours ?? null,
		courses: courses.get(row.kit.id) ?? [],
	}));
}
