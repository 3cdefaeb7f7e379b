import type { KilnForm } from "@contract/documents/kiln";
import { bodyOf, PLAIN_KILN, PLAIN_KILNS, type PlainKiln, type PlainKilnKind } from "@core/kiln/plain-kiln";
import { SHELF_SHAPES, type ShelfShape } from "@core/kiln/record";
import { useState } from "react";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Caution, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { sizeWords } from "../../ui/size-words";
import { newKiln } from "../kilns/new-kiln";
import { ShelfOutline } from "../kilns/shelf-outline";

const WORDS: Record<PlainKilnKind, string> = {
	tabletop: "tabletop",
	lid: "lid on top",
	octagon: "eight-sided, lid on top",
	front: "door in front",
};
const MARGIN_MM = 15;
const SHAPE_WORDS: Record<ShelfShape, string> = { rectangle: "rectangle", round: "round", octagon: "eight-sided" };

/** A kiln from a plain kind: what is on its plate and what a rule measures. The rest is learned. */
export function KilnStep({ kilns }: { kilns: readonly { id: string; name: string }[] }) {
	const [kind, setKind] = useState<PlainKilnKind>("lid");
	const [plain, setPlain] = useState<PlainKiln>(PLAIN_KILN.lid);
	const [name, setName] = useState("");
	const figure = useFigure();
	const save = useAct("saveKiln", () => setName(""));
	const set = (change: Partial<PlainKiln>) => setPlain({ ...plain, ...change });
	const number = (key: "shelfWidthMm" | "shelfHeightMm" | "clearHeightMm" | "powerW") => ({
		value: plain[key],
		onChange: (value: number | null) => set({ [key]: value ?? Number.NaN }),
	});
	const round = plain.shelfShape !== "rectangle";
	const sized = { ...plain, shelfHeightMm: round ? plain.shelfWidthMm : plain.shelfHeightMm };
	return (
		<div className="flex max-w-4xl flex-col gap-5">
			{kilns.length > 0 && (
				<p>
					Written down:{" "}
					{kilns.map(({ id, name: its }, i) => (
						<span key={id}>
							{i > 0 && ", "}
							<a className="font-semibold underline underline-offset-2" href={`/fire/kilns/${id}`}>
								{its}
							</a>
						</span>
					))}
				</p>
			)}
			<div role="radiogroup" aria-label="What kind of kiln" className="grid grid-cols-4 gap-3 max-lg:grid-cols-2">
				{PLAIN_KILNS.map((one) => (
					<button
						key={one}
						type="button"
						role="radio"
						aria-checked={one === kind}
						className={`flex flex-col items-center justify-end gap-2 rounded border p-3 ${one === kind ? "border-secondary bg-pick outline-2 outline-secondary" : "border-line hover:bg-base-100"}`}
						onClick={() => {
							setKind(one);
							setPlain(PLAIN_KILN[one]);
						}}
					>
						<ShelfOutline
							kiln={{ ...PLAIN_KILN[one], marginMm: MARGIN_MM, zones: [], fixtures: [], name: WORDS[one] }}
							widthPx={(150 * PLAIN_KILN[one].shelfWidthMm) / PLAIN_KILN.lid.shelfWidthMm}
						/>
						<span className="text-center">
							<b className="block">{WORDS[one]}</b>
							<span className="figure text-soft">
								{sizeWords([PLAIN_KILN[one].shelfWidthMm, PLAIN_KILN[one].shelfHeightMm], figure)}
							</span>
						</span>
					</button>
				))}
			</div>
			<form
				aria-label="Kiln"
				noValidate
				className="flex flex-col gap-3"
				onSubmit={(event) => {
					event.preventDefault();
					save.send((id) => ({ kiln: kilnOf(id(), name, sized), revision: 0 }));
				}}
			>
				<div className="grid grid-cols-[2fr_1fr_1fr_1fr] gap-3 max-lg:grid-cols-2">
					<TextField label="What you call it" value={name} onChange={setName} />
					<ChoiceField
						label="Shelf"
						value={plain.shelfShape}
						options={SHELF_SHAPES.map((value) => ({ value, label: SHAPE_WORDS[value] }))}
						onChange={(shelfShape) => set({ shelfShape })}
					/>
					<NumberField kind="length" label={round ? "Across" : "Width"} {...number("shelfWidthMm")} />
					{round ? <span /> : <NumberField kind="length" label="Depth" {...number("shelfHeightMm")} />}
				</div>
				<div className="grid grid-cols-[1fr_1fr_2fr] items-end gap-3 max-lg:grid-cols-2">
					<NumberField kind="length" label="Clear above the shelf" {...number("clearHeightMm")} />
					<NumberField kind="count" label="Power on its plate, W" {...number("powerW")} />
					<button type="submit" className="btn btn-primary" disabled={save.isPending || name.trim() === ""}>
						Write this kiln down
					</button>
				</div>
				<Trouble error={save.error} />
			</form>
			<p className="text-soft">
				How it heats and cools is estimated from its size until a log or a judged firing teaches it: Fire, Kilns, Learn.
			</p>
			<Caution>Wiring, supply and clearances: the maker’s manual, local codes, a licensed electrician.</Caution>
		</div>
	);
}

const kilnOf = (id: string, name: string, plain: PlainKiln): KilnForm => {
	const { powerW, ...shelf } = plain;
	return newKiln(id, name, { ...shelf, marginMm: MARGIN_MM, body: bodyOf(plain), plateW: powerW });
};
