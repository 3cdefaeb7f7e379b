import type { UseCase } from "../house/context";
import { seat } from "./models/seat";

/** Students get a place in each of these evenings, or a place on its waiting list. */
export const enrol: UseCase<"enrol"> = ({ tx, now }, { sessionIds, studentIds }) =>
	seat(tx, sessionIds, studentIds, now);
