import type { Viscosity } from "../glass/viscosity";
import { feltC, type KilnBody } from "../kiln/kiln";
import type { Curve } from "./curve";
import { flowIndex } from "./flow-index";
import { curveOf, type Schedule } from "./schedule";

/** Flow index Φ that a schedule gives on a kiln, with the kiln's own drop and its learned offset. */
export const planFlow = (schedule: Schedule, viscosity: Viscosity, kiln: KilnBody | undefined): number =>
	flowIndex(viscosity, feltCurve(curveOf(schedule, kiln), kiln));

/** A curve of shown temperatures as the glass feels it. */
export const feltCurve = (curve: Curve, kiln: KilnBody | undefined): Curve =>
	kiln?.offsetK ? curve.map(({ s, c }) => ({ s, c: feltC(kiln, c) })) : curve;
