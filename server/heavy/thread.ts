import type { MessagePort } from "node:worker_threads";
import { type Tasks, tasks } from "./tasks";

/** One of the pool's threads: says that it begins, then does a task by its name. */
export default ({ name, input, begun }: { name: keyof Tasks; input: never; begun: MessagePort }): unknown => {
	begun.postMessage("begun");
	begun.close();
	return tasks[name](input);
};
