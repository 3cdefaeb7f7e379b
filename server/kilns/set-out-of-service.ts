import { isDeepStrictEqual } from "node:util";
import { kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { refuseAtKiln } from "../firings/models/hands";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { lockedKiln } from "./models/kiln";

/** Says that nobody fires a kiln for a while, and why; or that it may be fired again. What is announced stays, and is told. */
export const setOutOfService: UseCase<"setOutOfService"> = async (context, { kilnId, out, was }) => {
	refuseAtKiln(context, "load");
	const { tx } = context;
	const { outOfService, name } = await lockedKiln(tx, kilnId);
	if (isDeepStrictEqual(outOfService, out)) return { kilnId }; // sent twice
	if (!isDeepStrictEqual(outOfService, was))
		throw new Refusal(
			"conflict",
			`Somebody else ${outOfService ? `said when ${name} is out of service` : `brought ${name} back`} meanwhile. Look at it as it is now, then say it again.`,
		);
	if (out?.untilDay && out.untilDay < out.fromDay)
		throw new Refusal("invalid", [{ path: ["out", "untilDay"], sentence: "The last day is before the first." }]);
	await tx.update(kiln).set({ outOfService: out }).where(eq(kiln.id, kilnId));
	const about = out
		? `from ${out.fromDay}${out.untilDay ? ` to ${out.untilDay}` : ""}: ${out.why}`
		: "may be fired again";
	await noteAudit(tx, "outOfService", `${name}, ${about}`, context);
	return { kilnId };
};
