import type { Severity } from "../../advice";
import { ALLOWED_TENSION_PA } from "../../glass/constants";

/**
 * How much a departure from the table matters, by the tension (Pa) that the simulated firing puts into the thickest glass: it stops
 * where that passes what is allowed, and is to be mended over half of it.
 */
export const severityBy = (tensionPa: number): Severity =>
	tensionPa > ALLOWED_TENSION_PA ? "stop" : tensionPa > ALLOWED_TENSION_PA / 2 ? "fix" : "know";
