/** Ends this process with the one that started it, however that ended: also where that was before we came to listen for it. */
export function endWithParent(): void {
	const end = () => process.exit(0);
	if (process.connected === false) end();
	process.on("disconnect", end);
}
