import type { KilnForm } from "@contract/documents/kiln";
import { useState } from "react";
import { NumberField, TextField } from "../../forms/fields";
import { Caution, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { newKiln } from "../kilns/new-kiln";

/** A middling block: its susceptor takes about so much. From memory. */
const BLOCK_BODY = { powerW: 600, lossWPerK: 0.6, capacityJPerK: 1200, roomC: 20 };

/** The block and the oven it goes into, or neither. */
export function BlockStep({ blocks }: { blocks: readonly { id: string; name: string }[] }) {
	const [name, setName] = useState("");
	const [insideMm, setInside] = useState<number | null>(70);
	const [ovenName, setOvenName] = useState("");
	const [watts, setWatts] = useState("");
	const saveBlock = useAct("saveKiln", () => setName(""));
	const saveOven = useAct("saveOven", () => setOvenName(""));
	const powers = watts
		.split(/[^0-9]+/)
		.filter(Boolean)
		.map(Number);
	return (
		<div className="flex max-w-2xl flex-col gap-5">
			<p>
				A small kiln block that stands in a household microwave oven. Without one, go on: the station keeps out of the
				way.
			</p>
			{blocks.length > 0 && <p>Written down: {blocks.map((one) => one.name).join(", ")}</p>}
			<form
				aria-label="Microwave block"
				noValidate
				className="grid grid-cols-[2fr_1fr_auto] items-end gap-3 max-lg:grid-cols-1"
				onSubmit={(event) => {
					event.preventDefault();
					saveBlock.send((id) => ({ kiln: blockOf(id(), name, insideMm ?? Number.NaN), revision: 0 }));
				}}
			>
				<TextField label="What you call the block" value={name} onChange={setName} />
				<NumberField kind="length" label="Across, inside" value={insideMm} onChange={setInside} />
				<button type="submit" className="btn btn-primary" disabled={saveBlock.isPending || name.trim() === ""}>
					Write it down
				</button>
			</form>
			<Trouble error={saveBlock.error} />
			<form
				aria-label="Oven"
				noValidate
				className="grid grid-cols-[2fr_1fr_auto] items-end gap-3 max-lg:grid-cols-1"
				onSubmit={(event) => {
					event.preventDefault();
					saveOven.send((id) => ({ oven: { id: id(), name: ovenName, watts: powers }, revision: 0 }));
				}}
			>
				<TextField label="The oven it goes into" value={ovenName} onChange={setOvenName} />
				<TextField label="Its powers, W" value={watts} onChange={setWatts} />
				<button
					type="submit"
					className="btn"
					disabled={saveOven.isPending || ovenName.trim() === "" || powers.length === 0}
				>
					Write it down
				</button>
			</form>
			<Trouble error={saveOven.error} />
			<Caution>
				An oven for glass is not used for food again. Follow the block’s and the oven’s makers; the block stays hot long
				after it is dark.
			</Caution>
		</div>
	);
}

const blockOf = (id: string, name: string, insideMm: number): KilnForm =>
	newKiln(id, name, {
		kind: "microwaveBlock",
		shelfWidthMm: insideMm,
		shelfHeightMm: insideMm,
		marginMm: 5,
		clearHeightMm: 20,
		maxC: 850,
		body: BLOCK_BODY,
		upkeep: [],
	});
