import { course } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { secretKey } from "./models/secret-key";

/** A secret address under which anybody may ask for a place in a course. */
export const makeSignUpLink: UseCase<"makeSignUpLink"> = async ({ tx }, { courseId, on }) => {
	const signUpKey = on ? secretKey() : null;
	await tx.update(course).set({ signUpKey }).where(eq(course.id, courseId));
	return { path: signUpKey && signUpPath(signUpKey) };
};

export const signUpPath = (key: string): string => `/sign-up/${key}`;
