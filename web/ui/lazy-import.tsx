import { type ComponentType, useState } from "react";

/** A way to bring in a list: what reads it is loaded once somebody wants it. */
export function LazyImport<P extends object>({
	label,
	load,
	...props
}: { label: string; load(): Promise<ComponentType<P>> } & { with: P }) {
	const [Part, setPart] = useState<ComponentType<P>>();
	return Part ? (
		<Part {...props.with} />
	) : (
		<button
			type="button"
			className="btn btn-sm self-start max-lg:h-11"
			onClick={() => void load().then((part) => setPart(() => part))}
		>
			{label}
		</button>
	);
}
