import { at, type Problem } from "@core/result";
import { written } from "@core/units/written";
import { lazy, Suspense, useState } from "react";
import { FileField } from "../../forms/file-field";
import { Said } from "../../forms/said";
import { useAct } from "../../lib/api";

/** Loaded when there is something to say. */
const Popup = lazy(() => import("../../ui/popup"));

/** A kit file from another studio: read here with every problem's path, then taken into the book. */
export function KitImport() {
	const [problems, setProblems] = useState<readonly Problem[]>([]);
	const [added, setAdded] = useState<{ kitId: string; added: string[] } | undefined>();
	const take = useAct("importKit", setAdded);
	const open = async (file: File) => {
		setAdded(undefined);
		setProblems([]);
		// The reader with all its schemas is loaded only when somebody opens a file.
		const { LARGEST_KIT_FILE_BYTES, readKitFile } = await import("@contract/documents/kit-file");
		if (file.size > LARGEST_KIT_FILE_BYTES)
			return setProblems([
				at([], `A kit file has at most ${LARGEST_KIT_FILE_BYTES / 1024} KB; this one was not read.`),
			]);
		const read = readKitFile(await file.text());
		if (read.ok) take.send((id) => ({ kitId: id(), file: read.value }));
		else setProblems(read.problems);
	};
	const all = [...problems, ...(take.error?.problems ?? [])];
	const close = () => {
		setProblems([]);
		setAdded(undefined);
		take.reset();
	};
	return (
		<div className="relative">
			<FileField
				look="button"
				label="Bring in a kit file"
				accept=".json,application/json"
				onFile={(file) => void open(file)}
			/>
			{(all.length > 0 || added) && (
				<Suspense>
					<Popup label="The kit file" onClose={close}>
						<div role={all.length > 0 ? "alert" : "status"}>
							{all.map(({ path, sentence }) => (
								<p key={`${path.join(".")} ${written(sentence)}`} className="font-semibold text-error">
									{path.length > 0 && <span className="figure block text-[13px] font-normal">{path.join(" › ")}</span>}
									<Said words={sentence} />
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
						</div>
						<button type="button" className="btn btn-ghost btn-sm mt-1" onClick={close}>
							Close
						</button>
					</Popup>
				</Suspense>
			)}
		</div>
	);
}
