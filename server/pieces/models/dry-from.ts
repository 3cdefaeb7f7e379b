import { DRY_MIN, type Glue } from "@core/journey/events";

export const dryFrom = (now: Date, glue: Glue) => new Date(now.getTime() + DRY_MIN[glue] * 60_000).toISOString();
