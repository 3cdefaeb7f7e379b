import type { Result } from "@core/result";
import { firstSentence } from "@core/units/written";
import { useState } from "react";
import { useSaid } from "../../forms/said";

interface Props<T> {
	label: string;
	shown: string;
	read(text: string): Result<T>;
	onValue(value: T): void;
	invalid?: boolean;
}

/** A figure in a table: what is typed is read when it is left or Enter is pressed; what cannot be read stays, marked. */
export function Cell<T>({ label, shown, read, onValue, invalid }: Props<T>) {
	const [typed, setTyped] = useState<string | null>(null);
	const said = useSaid();
	const [problem, setProblem] = useState<string | undefined>();
	const settle = () => {
		if (typed === null) return;
		const result = read(typed);
		if (result.ok) {
			setProblem(undefined);
			setTyped(null);
			onValue(result.value);
		} else setProblem(firstSentence(result.problems));
	};
	return (
		<input
			className={`input input-sm figure h-9 w-full px-1.5 text-right max-lg:h-11 ${problem || invalid ? "border-error" : ""}`}
			aria-label={label}
			aria-invalid={Boolean(problem)}
			title={problem && said(problem)}
			inputMode="decimal"
			autoComplete="off"
			value={typed ?? shown}
			onFocus={(event) => event.target.select()}
			onChange={(event) => setTyped(event.target.value)}
			onBlur={settle}
			onKeyDown={(event) => {
				if (event.key === "Enter") settle();
				if (event.key === "Escape") {
					setTyped(null);
					setProblem(undefined);
				}
			}}
		/>
	);
}
