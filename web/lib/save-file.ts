/** Hands a text over as a file, as if it had been downloaded. */
export function saveFile(text: string, name: string, type: string): void {
	const link = document.createElement("a");
	link.href = URL.createObjectURL(new Blob([text], { type }));
	link.download = name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
