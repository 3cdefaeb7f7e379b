import type { Problem } from "@core/result";
import { useRef, useState } from "react";
import { useAct } from "../../lib/api";

/** A kit file from another studio: read here with every problem's path, then taken into the book. */
export function KitImport() {
	const input = useRef<HTMLInputElement>(null);
	const [problems, setProblems] = useState<readonly Problem[]>([]);
	const [added, setAdded] = useState<{ kitId: string; added: string[] } | undefined>();
	const take = useAct("importKit", setAdded);
	const open = async (file: File | undefined) => {
		setAdded(undefined);
		setProblems([]);
		if (!file) return;
		// The reader with all its schemas is loaded only when somebody opens a file.
		const { LARGEST_KIT_FILE_BYTES, readKitFile } = await import("@contract/kit-file");
		if (file.size > LARGEST_KIT_FILE_BYTES)
			return setProblems([
				{ path: [], sentence: `A kit file has at most ${LARGEST_KIT_FILE_BYTES / 1024} KB; this one was not read.` },
			]);
		const read = readKitFile(await file.text());
		if (read.ok) take.mutate({ kitId: crypto.randomUUID(), file: read.value });
		else setProblems(read.problems);
		if (input.current) input.current.value = "";
	};
	const all = [...problems, ...(take.error?.problems ?? [])];
	return (
		<div className="relative">
			<label className="btn">
				Bring in a kit file
				<input
					ref={input}
					type="file"
					accept=".json,application/json"
					className="sr-only"
					onChange={(event) => void open(event.target.files?.[0])}
				/>
			</label>
			{(all.length > 0 || added) && (
				<div
					role={all.length > 0 ? "alert" : "status"}
					className="absolute top-full right-0 z-20 mt-2 w-96 rounded border border-line bg-base-100 p-3 shadow-lg"
				>
					{all.map(({ path, sentence }) => (
						<p key={`${path.join(".")} ${sentence}`} className="font-semibold text-error">
							{path.length > 0 && <span className="figure block text-[13px] font-normal">{path.join(" › ")}</span>}
							{sentence}
						</p>
					))}
					{added && (
						<>
							<p className="font-semibold">
								It is in the book.{" "}
								<a className="underline" href={`/kits/${added.kitId}`}>
									Lay it on the bench
								</a>
							</p>
							{added.added.length > 0 && <p className="text-soft">Came along: {added.added.join(", ")}.</p>}
						</>
					)}
					<button
						type="button"
						className="btn btn-ghost btn-sm mt-1"
						onClick={() => {
							setProblems([]);
							setAdded(undefined);
							take.reset();
						}}
					>
						Close
					</button>
				</div>
			)}
		</div>
	);
}
