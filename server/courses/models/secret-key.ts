import { randomBytes } from "node:crypto";

/** 192 random bits as 32 letters: nobody guesses an address with it. */
export const secretKey = (): string => randomBytes(24).toString("base64url");
