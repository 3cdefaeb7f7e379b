import { z } from "zod";
import { email } from "./begin";
import { words } from "./fields";
import { password } from "./people";

/** What somebody invited types of themselves. */
export const joinForm = z.strictObject({ name: words("Your name", 80, 1), email, password });
export type JoinForm = z.infer<typeof joinForm>;
