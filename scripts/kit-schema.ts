import { mkdirSync, writeFileSync } from "node:fs";
import { kitFileSchema } from "@contract/documents/kit-file";
import { scheduleFileSchema } from "@contract/documents/schedule";

/** Writes the published JSON Schemas of kit and schedule files; tests hold them together. */
mkdirSync("docs/formats", { recursive: true });
writeFileSync("docs/formats/kit.schema.json", `${JSON.stringify(kitFileSchema(), null, "\t")}\n`);
writeFileSync("docs/formats/schedule.schema.json", `${JSON.stringify(scheduleFileSchema(), null, "\t")}\n`);
