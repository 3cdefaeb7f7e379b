/** Rows by their id; of two with one id the later. */
export const byId = <T extends { id: unknown }>(rows: Iterable<T>): Map<T["id"], T> => {
	const map = new Map<T["id"], T>();
	for (const row of rows) map.set(row.id, row);
	return map;
};
