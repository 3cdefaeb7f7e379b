import { inPalette, paletteName } from "@core/kit/kit";
import { makeBags } from "@db/queries/bags";
import { runOfKit } from "@db/queries/stock";
import { classSession, cutRun, kitVersion } from "@db/schema";
import { eq } from "drizzle-orm";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { freezeKit } from "../kits/models/freeze-kit";
import { fromDrawer } from "./models/from-drawer";

/** Puts a kit on a class's cut list, or changes how many of it; it is cut as it is now. */
export const planCut: UseCase<"planCut"> = async (context, { sessionId, kitId, paletteId = "", kits }) => {
	const { tx } = context;
	const [session] = await tx.select().from(classSession).where(eq(classSession.id, sessionId)).for("update");
	if (!session) throw new Refusal("missing", "There is no such class in this studio.");
	return { cutRunId: await listed(context, { sessionId, kitId, paletteId, kits }) };
};

/** The kit as it is now in place of the one that the list was made of. */
export const renewCut: UseCase<"renewCut"> = async (context, { cutRunId }) => {
	const [row] = await context.tx
		.select({ sessionId: cutRun.sessionId, kits: cutRun.kits, paletteId: cutRun.paletteId, kitId: kitVersion.keptId })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.id, cutRunId));
	return { cutRunId: await listed(context, inTheBook(row, "cut list")) };
};

interface Listed {
	sessionId: string;
	kitId: string;
	/** None: as it was drawn. */
	paletteId: string;
	kits: number;
}

/** One list a kit, its colours and class, with a bag for each kit: counts of cuts that stay the same go on with it. */
async function listed(context: Context, { sessionId, kitId, paletteId, kits }: Listed): Promise<string> {
	const { tx, now } = context;
	const { id: kitVersionId, document } = await freezeKit(tx, kitId, now);
	if (paletteId !== "" && paletteName(document, paletteId) === undefined)
		throw new Refusal("conflict", "The kit has these colours no more. Choose others; what is on the list stays.");
	const before = await runOfKit(tx, sessionId, kitId, paletteId);
	const drawn = await fromDrawer(context, inPalette(document, paletteId), kits, before?.id);
	const list = { kits, kitVersionId, fromDrawer: drawn };
	const [row] = before
		? await tx.update(cutRun).set(list).where(eq(cutRun.id, before.id)).returning({ id: cutRun.id })
		: await tx
				.insert(cutRun)
				.values({ sessionId, paletteId, ...list })
				.returning({ id: cutRun.id });
	const { id } = row as NonNullable<typeof row>;
	await makeBags(tx, id, kits);
	return id;
}
