/** Under what the outline is kept that all pieces of a kit share in one firing of their route. */
export const outlineKey = ({ kitVersionId, step }: { kitVersionId: string | null; step: number }): string =>
	`${kitVersionId} ${step}`;
