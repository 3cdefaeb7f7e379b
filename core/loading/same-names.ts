/** Names that more than one kiln has, letters large or small. */
export function sameNames(kilns: readonly { name: string }[]): string[] {
	const known = new Set<string>();
	const twice = new Map<string, string>();
	for (const { name } of kilns) {
		const key = name.trim().toLowerCase();
		if (known.has(key)) twice.set(key, name.trim());
		known.add(key);
	}
	return [...twice.values()];
}
