import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

/** All words of a PDF, page after page. */
export async function pdfText(bytes: Uint8Array): Promise<string> {
	const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
	const pages = await Promise.all(
		Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items),
	);
	return pages.flatMap((items) => items.map((item) => ("str" in item ? item.str : ""))).join(" ");
}
