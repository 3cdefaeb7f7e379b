import { useCallback, useRef } from "react";

/** Runs a task, never two at once: what is asked meanwhile runs once more, with the newest values. A drag builds up no queue. */
export function useNewest(task: () => Promise<void>): () => void {
	const newest = useRef(task);
	newest.current = task;
	const state = useRef<"idle" | "busy" | "again">("idle");
	return useCallback(() => {
		const run = async () => {
			state.current = "busy";
			await newest.current();
			if ((state.current as string) === "again") await run();
			else state.current = "idle";
		};
		if (state.current === "idle") void run();
		else state.current = "again";
	}, []);
}
