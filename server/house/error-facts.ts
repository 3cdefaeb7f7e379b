/** What of an error may be written down: a database's message and parameters hold what people typed, its code and statement do not. */
export interface ErrorFacts {
	/** SQLSTATE or the system's own word. */
	code?: string;
	/** Kind and table of a statement: "insert into piece". */
	statement?: string;
	/** Of an error that is no database's. */
	message?: string;
	stack?: string;
}

interface Raw {
	code?: unknown;
	query?: unknown;
	cause?: unknown;
	severity?: unknown;
	message?: unknown;
	stack?: unknown;
}

const STATEMENT = /^\s*(select\b[\s\S]*?\bfrom|insert into|update|delete from|\w+)(?:\s+|$)(?:only\s+)?"?([a-z_]+)?/i;

/** Depth to which causes are followed. */
const DEEP = 5;

/** What of an error may be written down. */
export function errorFacts(error: unknown): ErrorFacts {
	const chain: Raw[] = [];
	for (let one = error; one instanceof Error && chain.length < DEEP; one = one.cause) chain.push(one as Raw);
	if (chain.length === 0) return { message: typeof error };
	const code = chain.map((one) => one.code).find((one) => typeof one === "string" || typeof one === "number");
	const query = chain.map((one) => one.query).find((one): one is string => typeof one === "string");
	const said = code === undefined ? {} : { code: String(code) };
	if (query !== undefined || chain.some((one) => one.severity !== undefined))
		return { ...said, ...(query !== undefined && { statement: nameOf(query) }) };
	const [first] = chain;
	return { ...said, message: String(first?.message), stack: frames(String(first?.stack ?? "")) };
}

/** Where it happened, without the message that stands before it. */
const frames = (stack: string): string =>
	stack
		.split("\n")
		.filter((line) => /^\s+at /.test(line))
		.slice(0, 8)
		.map((line) => line.trim())
		.join(" < ");

/** "select from piece", "insert into piece": which statement it was, without its values. */
function nameOf(query: string): string {
	const [, verb = "", table = ""] = STATEMENT.exec(query) ?? [];
	const word = verb.toLowerCase().startsWith("select") ? "select from" : verb.toLowerCase();
	return `${word} ${table}`.trim();
}
