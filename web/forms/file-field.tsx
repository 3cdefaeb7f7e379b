import { useId } from "react";

/** Pictures the studio can read. */
export const PHOTOS = "image/jpeg,image/png,image/webp";

interface Props {
	label: string;
	/** Kinds of files, as the browser's own dialog asks for them. */
	accept: string;
	onFile(file: File): void;
	/** Said where nothing is chosen any more. */
	onNone?(): void;
	error?: string | undefined;
	hint?: string;
	/** A button that opens the dialog, where the file is read at once. */
	look?: "field" | "button";
	/** The name of what was chosen stays in the field until it is sent; otherwise the same file can be chosen again. */
	keeps?: boolean;
	/** On a tablet: the camera first. */
	camera?: boolean;
	compact?: boolean;
}

/** One file from this machine. */
export function FileField(props: Props) {
	const { label, accept, onFile, onNone, error, hint, look = "field", keeps = false, camera, compact } = props;
	const id = useId();
	const note = error ?? hint;
	const input = (
		<input
			id={id}
			type="file"
			accept={accept}
			{...(camera && { capture: "environment" })}
			aria-describedby={note ? `${id}-note` : undefined}
			aria-invalid={Boolean(error)}
			className={
				look === "button"
					? "sr-only"
					: `file-input w-full ${compact ? "file-input-sm h-9 max-lg:h-11" : "h-11"} ${error ? "border-error" : ""}`
			}
			onChange={(event) => {
				const file = event.target.files?.[0];
				if (file) onFile(file);
				else onNone?.();
				if (!keeps) event.target.value = "";
			}}
		/>
	);
	if (look === "button")
		return (
			<label className="btn focus-within:outline-2" htmlFor={id}>
				{label}
				{input}
			</label>
		);
	return (
		<div className="flex min-w-0 flex-col gap-1">
			<label htmlFor={id} className="font-semibold">
				{label}
			</label>
			{input}
			{note && (
				<p
					id={`${id}-note`}
					role={error ? "alert" : undefined}
					className={error ? "font-semibold text-error" : "text-soft"}
				>
					{note}
				</p>
			)}
		</div>
	);
}
