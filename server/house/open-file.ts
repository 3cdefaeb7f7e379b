/** A file of an open format to take away. */
export interface OpenFile {
	body: string | Uint8Array;
	type: string;
	name: string;
}

/** A name every file system takes. @param instead where nothing of it is left */
export const fileName = (name: string, instead: string): string =>
	name
		.toLowerCase()
		.normalize("NFKD")
		.replace(/[^a-z0-9]+/g, "-")
		.replace(/^-+|-+$/g, "")
		.slice(0, 60) || instead;
