import { type FiringCost, firingCost } from "@core/cost/firing-cost";
import { type Schedule, scheduleHours } from "@core/firing/schedule";
import { currencyFor } from "../../glass/models/books";
import type { ViewContext } from "../../house/view";

/** What a firing costs by the studio's tariff; null for who may not see money. */
export const costFor = (context: ViewContext, firing: { kwh: number; hours: number }): FiringCost | null =>
	currencyFor(context) === null ? null : firingCost(firing, context.studio.customs.tariff);

/** When its programme is over. */
export const endOf = (start: Date, schedule: Schedule, speedUp = 1): Date =>
	new Date(start.getTime() + (scheduleHours(schedule, undefined) * 3_600_000) / speedUp);
