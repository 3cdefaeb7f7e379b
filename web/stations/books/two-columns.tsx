/** A book: its list on the left, what is open on the right. */
export function TwoColumns({ list, open }: { list: React.ReactNode; open: React.ReactNode }) {
	return (
		<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_360px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="List" className="scroll-y min-h-0 px-6 py-4">
				{list}
			</section>
			<section aria-label="Open" className="scroll-y min-h-0 border-l border-line px-5 py-4">
				{open}
			</section>
		</div>
	);
}

/** A form's fields by name with their words: yes or no. */
export function Check({
	label,
	checked,
	onChange,
}: {
	label: string;
	checked: boolean;
	onChange(checked: boolean): void;
}) {
	return (
		<label className="flex min-h-9 items-center gap-2">
			<input
				type="checkbox"
				className="checkbox checkbox-sm"
				checked={checked}
				onChange={(event) => onChange(event.target.checked)}
			/>
			{label}
		</label>
	);
}

export const shortId = (): string => crypto.randomUUID().slice(0, 8);

/** Choices whose words are their values. */
export const plain = <T extends string>(values: readonly T[]) =>
	values.map((value) => ({ value, label: value as string }));
