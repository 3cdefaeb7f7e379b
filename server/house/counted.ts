/** How many of a list are new, and how many were known. */
export function counted(entries: readonly { revision: number }[]) {
	const added = entries.filter(({ revision }) => revision === 0).length;
	return { added, changed: entries.length - added };
}
