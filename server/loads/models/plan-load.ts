import type { GlassFamily } from "@core/glass/family";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import type { LayWish, LoadKiln, LoadProposal, LoadSchools } from "@core/loading/load";
import type { Reader } from "@db/connect";
import type { KilnRow } from "@db/queries/kilns";
import { loadKiln } from "@db/queries/kilns";
import type { Studio } from "@db/queries/studio";
import { loadWaiting } from "@db/queries/waiting";
import { glassFamily } from "@db/schema";
import { inArray } from "drizzle-orm";
import { inPool } from "../../heavy/in-pool";
import { inTheBook, Refusal } from "../../house/refusal";

export const loadKilnOf = (row: KilnRow): LoadKiln => ({
	...kilnShelvesOf(row),
	body: row.body,
	maxC: row.maxC,
});

/** How the studio fires, as a load asks for it. */
export const schoolsFor = (studio: Studio): LoadSchools => ({
	cooling: studio.coolingSchool,
	warmUp: studio.warmUpSchool,
	soak: studio.soakSchool,
	heat: studio.heatSchool,
	dots: studio.dotSchool,
	clearanceMm: studio.clearanceMm,
	mixFamilies: studio.customs.mixFamilies,
});

/** The load that these pieces would make on this kiln, from the rows as they are now. Proposing and accepting both come here. */
export async function planLoad(
	reader: Reader,
	studio: Studio,
	kilnId: string,
	pieceIds: readonly string[],
	wish: LayWish = {},
): Promise<{
	proposal: LoadProposal;
	kiln: KilnRow;
	family: GlassFamily;
	pieces: Awaited<ReturnType<typeof loadWaiting>>;
}> {
	const row = inTheBook(await loadKiln(reader, kilnId), "kiln");
	if (row.kind !== "electric") throw new Refusal("invalid", `${row.name} takes one small piece by hand, no load.`);
	const pieces = await loadWaiting(reader, pieceIds);
	const found = await reader
		.select()
		.from(glassFamily)
		.where(inArray(glassFamily.id, [...new Set(pieces.map(({ familyId }) => familyId))]));
	// Of two the one whose name comes first lies on the left, the same on every page.
	const families = found.sort((a, b) => (a.label < b.label ? -1 : 1));
	const [family] = families;
	if (!family) throw new Refusal("invalid", "No piece was chosen for this load.");
	const result = await inPool("proposeLoad", {
		pieces,
		kiln: loadKilnOf(row),
		families,
		schools: schoolsFor(studio),
		wish,
	});
	if (!result.ok) throw new Refusal("invalid", result.problems);
	return { proposal: result.value, kiln: row, family, pieces };
}
