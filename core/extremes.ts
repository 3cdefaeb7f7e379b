/** The largest of any number of values (spreading them into Math.max ends at some ten thousands); `least` for none. */
export const mostOf = (values: readonly number[], least = Number.NEGATIVE_INFINITY): number =>
	values.reduce((most, value) => Math.max(value, most), least);

/** The smallest of any number of values; `most` for none. */
export const leastOf = (values: readonly number[], most = Number.POSITIVE_INFINITY): number =>
	values.reduce((least, value) => Math.min(value, least), most);
