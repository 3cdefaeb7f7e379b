/** The name of the kit on the bench, typed where it stands. */
export function KitName(props: { value: string; error: string | undefined; onChange(name: string): void }) {
	return (
		<>
			<input
				aria-label="Kit"
				placeholder="Name of this kit"
				className={`-ml-2 h-10 w-full rounded border px-2 text-[22px] font-bold tracking-tight ${props.error ? "border-error" : "border-transparent hover:border-line focus:bg-base-100"}`}
				value={props.value}
				aria-invalid={Boolean(props.error)}
				autoComplete="off"
				onChange={(event) => props.onChange(event.target.value)}
			/>
			{props.error && <p className="font-semibold text-error">{props.error}</p>}
		</>
	);
}
