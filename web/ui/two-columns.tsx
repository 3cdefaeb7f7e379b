import { Problems } from "../forms/notice";
import type { ActForm } from "../forms/use-act-form";
import type { TroubleError } from "../lib/api";

interface Columns {
	list: React.ReactNode;
	open: React.ReactNode;
	/** How a new entry is begun; left out for who may not write in the book. */
	add?: { label: string; onAdd(): void } | false;
	/** The way to what is put away. */
	away?: React.ReactNode;
}

/** A book: its list on the left, what is open on the right. */
export function TwoColumns({ list, open, add, away }: Columns) {
	return (
		<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_360px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="List" className="scroll-y min-h-0 px-6 py-4">
				<div className="mb-2 flex justify-end gap-2">
					{away}
					{add && (
						<button type="button" className="btn btn-primary" onClick={add.onAdd}>
							{add.label}
						</button>
					)}
				</div>
				{list}
			</section>
			<section aria-label="Open" className="scroll-y min-h-0 border-l border-line px-5 py-4">
				{open}
			</section>
		</div>
	);
}

interface Form {
	/** What is written: "Glass", "Mould". */
	name: string;
	mayEdit: boolean;
	form: ActForm;
	/** What else was refused. */
	more?: TroubleError | null;
	/** What is below it: putting it away. */
	below?: React.ReactNode;
	children: React.ReactNode;
}

/** An entry of a book: its fields, what is refused of them, and one button that saves. */
export function BookForm({ name, mayEdit, form, more, below, children }: Form) {
	return (
		<>
			<form aria-label={name} className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
				{children}
				<Problems problems={[...form.others(), ...(more?.problems ?? [])]} />
				{mayEdit && (
					<button type="submit" className="btn btn-primary" disabled={form.pending}>
						{form.isKept ? "Saved" : `Save this ${name.toLowerCase()}`}
					</button>
				)}
			</form>
			{below && <div className="mt-4">{below}</div>}
		</>
	);
}

export const shortId = (): string => crypto.randomUUID().slice(0, 8);

/** Choices whose words are their values. */
export const plain = <T extends string>(values: readonly T[]) =>
	values.map((value) => ({ value, label: value as string }));
