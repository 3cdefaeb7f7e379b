import { readCode } from "@core/journey/code";
import { Search } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { useView } from "../lib/api";

/** Finds anything by a few letters; a whole code, typed or scanned, goes straight to its piece. */
export function Finder() {
	const dialog = useRef<HTMLDialogElement>(null);
	const [text, setText] = useState("");
	const { data } = useView("find", { q: text }, undefined, text.trim().length >= 2);
	useEffect(() => {
		const open = () => {
			setText("");
			dialog.current?.showModal();
		};
		addEventListener("zephyr-find", open);
		return () => removeEventListener("zephyr-find", open);
	}, []);
	const go = () => {
		const code = readCode(text);
		const href = code ? `/piece/${code}` : data?.found[0]?.href;
		if (href) location.assign(href);
	};
	return (
		<>
			<button
				type="button"
				className="btn btn-ghost btn-sm gap-2 px-2 font-normal"
				aria-keyshortcuts="/"
				onClick={() => dispatchEvent(new Event("zephyr-find"))}
			>
				<Search size={18} aria-hidden="true" />
				<span className="max-xl:sr-only">find or scan</span>
				<kbd className="kbd kbd-sm max-2xl:hidden">/</kbd>
			</button>
			<dialog ref={dialog} className="modal" aria-label="Find anything">
				<div className="modal-box mb-auto mt-24 max-w-xl p-4">
					<form
						onSubmit={(event) => {
							event.preventDefault();
							go();
						}}
					>
						<label className="mb-1 block font-semibold" htmlFor="find">
							Piece code, student, kit, glass or kiln
						</label>
						<input
							id="find"
							className="input h-12 w-full text-lg"
							autoComplete="off"
							value={text}
							onChange={(event) => setText(event.target.value)}
						/>
					</form>
					<ul className="ruled mt-3">
						{text.trim().length >= 2 &&
							data?.found.map(({ kind, label, detail, href }) => (
								<li key={`${kind} ${href} ${label}`}>
									<a href={href} className="flex min-h-11 items-center gap-3 px-1 hover:bg-pick">
										<span className="w-14 text-soft">{kind}</span>
										<b className="figure">{label}</b>
										<span className="truncate text-soft">{detail}</span>
									</a>
								</li>
							))}
					</ul>
					{text.trim().length >= 2 && data?.found.length === 0 && (
						<p className="py-2 text-soft">Nothing of that name.</p>
					)}
				</div>
				<form method="dialog" className="modal-backdrop">
					<button type="submit">close</button>
				</form>
			</dialog>
		</>
	);
}
