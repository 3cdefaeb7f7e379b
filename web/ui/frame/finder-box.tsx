import { Combobox, ComboboxItem, ComboboxList, ComboboxProvider } from "@ariakit/react/combobox";
import { readCode } from "@core/journey/code";
import { useState } from "react";
import { Said } from "../../forms/said";
import { useView } from "../../lib/api";

/** Fewer letters find too much. */
const LEAST_LETTERS = 2;

/** What is typed and what it finds: arrow keys choose, Enter goes there; a whole code goes straight to its piece. */
export default function FinderBox() {
	const [text, setText] = useState("");
	const asks = text.trim().length >= LEAST_LETTERS;
	const { data } = useView("find", { q: text }, undefined, asks);
	const found = asks ? (data?.found ?? []) : [];
	return (
		<ComboboxProvider open value={text} setValue={setText} focusLoop={false}>
			<form
				onSubmit={(event) => {
					event.preventDefault();
					const code = readCode(text);
					const href = code ? `/piece/${code}` : found[0]?.href;
					if (href) location.assign(href);
				}}
			>
				<label className="mb-1 block font-semibold" htmlFor="find">
					Piece code, student, kit, glass or kiln
				</label>
				<Combobox id="find" className="input h-12 w-full text-lg" autoSelect autoComplete="list" autoFocus />
			</form>
			<ComboboxList alwaysVisible aria-label="Found" className="ruled mt-3">
				{found.map(({ kind, label, detail, href }) => (
					<ComboboxItem
						key={`${kind} ${href} ${label}`}
						focusOnHover
						setValueOnClick={false}
						hideOnClick={false}
						onClick={() => location.assign(href)}
						className="flex min-h-11 cursor-pointer items-center gap-3 px-1 data-active-item:bg-pick"
					>
						<span className="w-14 text-soft">{kind}</span>
						<b className="figure">{label}</b>
						<span className="truncate text-soft">
							<Said words={detail} />
						</span>
					</ComboboxItem>
				))}
			</ComboboxList>
			{asks && data?.found.length === 0 && <p className="py-2 text-soft">Nothing of that name.</p>}
		</ComboboxProvider>
	);
}
