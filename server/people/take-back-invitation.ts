import { invitation } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** An invitation opens nothing any longer. */
export const takeBackInvitation: UseCase<"takeBackInvitation"> = async ({ tx, now }, { invitationId }) => {
	const [row] = await tx
		.update(invitation)
		.set({ revokedAt: now })
		.where(eq(invitation.id, invitationId))
		.returning({ id: invitation.id });
	inTheBook(row, "invitation");
	return { takenBack: true };
};
