import { loadPhoto } from "@db/queries/pieces";
import { database } from "../house/database";

/** A photo of a piece, WebP. */
export const photoFile = (id: string, size: "whole" | "small") => loadPhoto(database().db, id, size);
