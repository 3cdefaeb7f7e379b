import type { ReactNode } from "react";

/** A box to tick, its words beside it. */
export function Check(props: {
	label: ReactNode;
	checked: boolean;
	onChange(checked: boolean): void;
	/** Something that matters: larger, and in bold. */
	weighty?: boolean;
}) {
	const { label, checked, onChange, weighty = false } = props;
	return (
		<label
			className={`flex cursor-pointer items-center ${weighty ? "min-h-11 gap-3 font-semibold" : "min-h-9 gap-2 max-lg:min-h-11"}`}
		>
			<input
				type="checkbox"
				className={`checkbox checkbox-secondary ${weighty ? "" : "checkbox-sm"}`}
				checked={checked}
				onChange={(event) => onChange(event.target.checked)}
			/>
			{label}
		</label>
	);
}
