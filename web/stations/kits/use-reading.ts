import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import type { KitDesign } from "@core/stack/kit";
import type { KitReading } from "@core/stack/read-kit";
import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { KitReader } from "../../workers/read-kit.worker";

/** The reading of a kit while it is changed: asked in a worker, the newest answer wins. */
export function useReading(
	design: KitDesign,
	glasses: readonly Glass[],
	families: readonly GlassFamily[],
	initial: KitReading,
): KitReading {
	const [reading, setReading] = useState(initial);
	const reader = useRef<Remote<KitReader> | null>(null);
	const asked = useRef(0);
	useEffect(() => {
		const worker = new Worker(new URL("../../workers/read-kit.worker.ts", import.meta.url), { type: "module" });
		reader.current = wrap<KitReader>(worker);
		return () => worker.terminate();
	}, []);
	useEffect(() => {
		const number = ++asked.current;
		if (
			design.parts.some(({ shape }) => Object.values(shape).some((value) => typeof value === "number" && !(value > 0)))
		)
			return;
		void reader.current?.read(design, [...glasses], [...families]).then((answer) => {
			if (number === asked.current) setReading(answer);
		});
	}, [design, glasses, families]);
	return reading;
}
