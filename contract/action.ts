import type { Phrase } from "@core/units/phrase";
import type { z } from "zod";
import type { Role } from "./people";
import type { Topic } from "./topics";

/** What comes as a file's bytes beside an action's fields: a photo keeps a thumbnail too. */
export type UploadKind = "photo" | "picture";

/** One thing a person can make the studio do, as forms, endpoint and server share it. */
export interface Action<S extends z.ZodType = z.ZodType, A = unknown> {
	/** The least role that may do it. */
	role: Role;
	schema: S;
	/** What is otherwise afterwards: open views that show it ask again. */
	topics: readonly Topic[];
	/** The body is an image, its fields stand in the address. */
	upload?: UploadKind;
	/** Bytes its JSON may have; 2 MB where nothing is said. */
	mostBytes?: number;
	/** Only a type: what it answers when it went well. */
	answer?: A;
}

const asks =
	(role: Role) =>
	<S extends z.ZodType>(schema: S, more: Pick<Action, "upload" | "mostBytes"> = {}) => ({
		touches: (...topics: Topic[]) => ({
			answers: <A>(): Action<S, A> => ({ role, schema, topics, ...more }),
		}),
	});

/** An action: who may do it, what it asks, what it touches, what it answers. */
export const assistant = { asks: asks("assistant") };
export const instructor = { asks: asks("instructor") };

/** What an answer that did not go well says. 400 invalid, 401 signed out, 403 not allowed, 404 not there, 409 changed meanwhile. */
export interface Trouble {
	problems: { path: (string | number)[]; sentence: Phrase }[];
}
