import { loadSamplePicture } from "@db/queries/glass";
import { database } from "../house/database";

/** The picture of a sample, WebP. */
export const samplePicture = (id: string) => loadSamplePicture(database().db, id);
