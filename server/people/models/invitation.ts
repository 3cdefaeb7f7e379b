import { createHash, randomBytes } from "node:crypto";

/** How long an invitation opens the door, ms: a week. */
export const INVITED_FOR_MS = 7 * 86_400_000;

export const newKey = (): string => randomBytes(24).toString("base64url");

/** What is kept of a key: whoever reads the book cannot use it. */
export const hashOfKey = (key: string): string => createHash("sha256").update(key).digest("base64url");
