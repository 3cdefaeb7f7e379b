import { student } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";

/** Writes a student down, new or known. */
export const saveStudent: UseCase<"saveStudent"> = async ({ tx }, { student: form, revision }) => ({
	studentId: form.id,
	revision: await saved(form.name, tx, student, form, revision),
});
