import { mkdirSync, writeFileSync } from "node:fs";
import { kitFileSchema } from "@contract/kit-file";

/** Writes the published JSON Schema of a kit file; a test holds the two together. */
mkdirSync("docs/formats", { recursive: true });
writeFileSync("docs/formats/kit.schema.json", `${JSON.stringify(kitFileSchema(), null, "\t")}\n`);
