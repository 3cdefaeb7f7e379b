import { invitation } from "@db/schema";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** An invitation opens nothing any longer. */
export const takeBackInvitation: UseCase<"takeBackInvitation"> = async ({ tx, ...asking }, { invitationId }) => {
	const [row] = await tx
		.update(invitation)
		.set({ revokedAt: asking.now })
		.where(eq(invitation.id, invitationId))
		.returning({ forWhom: invitation.forWhom });
	const { forWhom } = inTheBook(row, "invitation");
	await noteAudit(tx, "invitationTakenBack", forWhom, asking);
	return { takenBack: true };
};
