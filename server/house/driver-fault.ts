/**
 * Whether an error that nobody caught is the database driver's own stumble over a connection that went under it: a socket that is null by
 * the time it is written to. What was asked is refused by its own promise; the next question makes a new connection.
 */
export function isDriverFault(error: unknown): boolean {
	if (!(error instanceof TypeError)) return false;
	const first = (error.stack ?? "").split("\n").find((line) => line.trimStart().startsWith("at "));
	return /node_modules[\\/]postgres[\\/]/.test(first ?? "") && /\b(null|undefined)\b/.test(error.message);
}
