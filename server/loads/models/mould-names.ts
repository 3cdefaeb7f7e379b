import type { RouteStep } from "@core/kit/kit";
import type { Reader } from "@db/connect";
import { loadMoulds } from "@db/queries/glass";

/** The name of the mould that each piece is fired on in its present step. */
export async function mouldNames(
	reader: Reader,
	pieces: readonly { id: string; route: readonly RouteStep[]; step: number }[],
): Promise<Map<string, string>> {
	const wanted = pieces.flatMap(({ id, route, step }) =>
		route[step]?.mouldId ? [[id, route[step].mouldId] as const] : [],
	);
	if (wanted.length === 0) return new Map();
	const names = new Map((await loadMoulds(reader)).map(({ id, name }) => [id, name]));
	return new Map(wanted.flatMap(([id, mouldId]) => (names.has(mouldId) ? [[id, names.get(mouldId) as string]] : [])));
}
