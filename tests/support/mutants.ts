import { randomUUID } from "node:crypto";
import { z } from "zod";

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
interface Schema {
	type?: string;
	const?: Json;
	enum?: Json[];
	anyOf?: Schema[];
	oneOf?: Schema[];
	allOf?: Schema[];
	format?: string;
	pattern?: string;
	minLength?: number;
	minimum?: number;
	exclusiveMinimum?: number;
	maximum?: number;
	minItems?: number;
	items?: Schema;
	prefixItems?: Schema[];
	properties?: Record<string, Schema>;
	required?: string[];
	additionalProperties?: Schema | boolean;
}

/** A value that a schema's form allows, as far as JSON Schema can say it. @param ids real ids, taken in turn */
export function sampleOf(schema: z.ZodType, ids: readonly string[]): Json {
	let turn = 0;
	const nextId = () => ids[turn++ % ids.length] ?? randomUUID();
	const made = (part: Schema): Json => {
		const choice = part.anyOf?.[0] ?? part.oneOf?.[0] ?? part.allOf?.[0];
		if (choice) return made(choice);
		if (part.type === "array")
			return part.prefixItems?.map(made) ?? Array.from({ length: part.minItems || 1 }, () => made(part.items ?? {}));
		if (part.type === "object")
			return Object.fromEntries(Object.entries(part.properties ?? {}).map(([key, one]) => [key, made(one)]));
		return plainOf(part, nextId);
	};
	return made(z.toJSONSchema(schema, { unrepresentable: "any", io: "input" }) as Schema);
}

function plainOf(part: Schema, nextId: () => string): Json {
	if (part.const !== undefined) return part.const;
	if (part.enum) return part.enum[0] ?? null;
	if (part.type === "boolean") return true;
	if (part.type === "integer" || part.type === "number")
		return Math.max(part.minimum ?? part.exclusiveMinimum ?? 0, Math.min(1, part.maximum ?? 1));
	return part.type === "string" ? textOf(part, nextId) : null;
}

function textOf({ format, pattern, minLength }: Schema, nextId: () => string): string {
	if (format === "uuid") return nextId();
	if (format === "date") return "2031-03-08";
	if (format === "date-time") return "2031-03-08T06:00:00Z";
	return pattern?.includes("#") ? "#336699" : "a".repeat(Math.max(1, minLength ?? 0));
}

/** What no honest page sends. Sources of the kinds: OWASP ASVS 5.0 chapter 2, CWE-158 (NUL), CWE-1321 (prototype keys). */
const HOSTILE: unknown[] = [
	"\u0000",
	"a\u0000b",
	"\ud800",
	"-".repeat(36),
	"constructor",
	"__proto__",
	"x".repeat(1_000_000),
	"0000-01-01",
	"9999-12-31",
	"'; drop table piece; --",
	"",
	null,
	true,
	[],
	{},
	["x"],
	{ toString: "x" },
	Number.NaN,
	Number.POSITIVE_INFINITY,
	1e300,
	-1,
	0,
	2.5,
	2 ** 53,
	randomUUID(),
];

/** What no text may hold and no object may carry, whatever a schema says of it: NUL, half a sign, a key that nobody asked for. */
export function isForbidden(value: unknown): boolean {
	if (typeof value === "string") return value.includes("\u0000") || /[\ud800-\udfff]/u.test(value);
	if (typeof value !== "object" || value === null) return false;
	return Object.hasOwn(value, "unasked") || Object.values(value).some(isForbidden);
}

/**
 * The value with one leaf or branch after another replaced by something hostile, left out, or with a key nobody asked for.
 * @param share one in so many hostile values a place, in turn: each place gets some, each value comes
 */
export function* mutantsOf(value: Json, share = 1): Generator<unknown> {
	for (const [i, path] of [...pathsOf(value)].entries()) {
		for (const [k, hostile] of HOSTILE.entries()) if ((i + k) % share === 0) yield replaced(value, path, hostile);
		if (path.length > 0) yield replaced(value, path, undefined);
		const at = valueAt(value, path);
		if (Array.isArray(at)) yield replaced(value, path, [...at, ...at]);
	}
	if (typeof value === "object" && value !== null && !Array.isArray(value)) {
		yield { ...value, unasked: 1 };
		yield JSON.parse(`{"__proto__": {"role": "instructor"}, ${JSON.stringify(value).slice(1)}`.replace(/, }$/, "}"));
	}
}

function* pathsOf(value: Json, path: (string | number)[] = []): Generator<(string | number)[]> {
	yield path;
	if (typeof value !== "object" || value === null) return;
	const entries = Array.isArray(value) ? value.slice(0, 1).map((one, i) => [i, one] as const) : Object.entries(value);
	for (const [key, one] of entries) yield* pathsOf(one, [...path, key]);
}

const valueAt = (value: Json, path: readonly (string | number)[]): Json =>
	path.reduce<Json>((at, key) => (at as Record<string | number, Json>)[key] ?? null, value);

function replaced(value: Json, [key, ...rest]: (string | number)[], by: unknown): unknown {
	if (key === undefined) return by;
	const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<string | number, unknown>;
	copy[key] = replaced(copy[key] as Json, rest, by);
	return copy;
}
