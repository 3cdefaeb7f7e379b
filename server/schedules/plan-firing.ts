import type { UseCase } from "../house/context";
import { planBare } from "./models/plan-bare";

/** A firing without pieces of students: tests, dots, a kiln's first run. */
export const planFiring: UseCase<"planFiring"> = (context, input) => planBare(context, input);
