import type { MicrowaveView } from "@contract/views";
import { useState } from "react";
import { useAct } from "../../../lib/api";
import { TextField } from "../../../ui/fields";
import { Trouble } from "../../../ui/notice";

/** Ovens and the powers each can be set to: watts as written beside its dial. */
export function OvenForm({ ovens }: { ovens: MicrowaveView["ovens"] }) {
	const [open, setOpen] = useState<string | null>(null);
	return (
		<section aria-label="Ovens" className="mt-4">
			<h2 className="mb-1">Ovens</h2>
			<ul className="ruled">
				{ovens.map((oven) => (
					<li key={oven.id} className="py-1.5">
						<button
							type="button"
							className="flex min-h-9 w-full justify-between gap-2 text-left"
							onClick={() => setOpen(oven.id)}
						>
							<b>{oven.name}</b>
							<span className="figure text-soft">{oven.watts.join(", ")} W</span>
						</button>
						{open === oven.id && <Edit oven={oven} onDone={() => setOpen(null)} />}
					</li>
				))}
			</ul>
			{open === "new" ? (
				<Edit oven={{ id: crypto.randomUUID(), name: "", watts: [] }} onDone={() => setOpen(null)} />
			) : (
				<button type="button" className="btn btn-sm mt-1.5 max-lg:h-11" onClick={() => setOpen("new")}>
					Add an oven
				</button>
			)}
		</section>
	);
}

function Edit({ oven, onDone }: { oven: MicrowaveView["ovens"][number]; onDone(): void }) {
	const [name, setName] = useState(oven.name);
	const [watts, setWatts] = useState(oven.watts.join(", "));
	const save = useAct("saveOven", onDone);
	return (
		<form
			className="flex flex-col gap-2 py-2"
			onSubmit={(event) => {
				event.preventDefault();
				const powers = watts
					.split(/[\s,;]+/)
					.filter(Boolean)
					.map(Number);
				save.mutate({ oven: { id: oven.id, name, watts: powers } });
			}}
		>
			<TextField compact label="Oven" value={name} onChange={setName} />
			<TextField
				compact
				label="Powers, W"
				value={watts}
				onChange={setWatts}
				hint="All it can be set to, like 180, 350, 500, 750."
			/>
			<Trouble error={save.error} />
			<div className="flex gap-2">
				<button type="submit" className="btn btn-primary btn-sm max-lg:h-11" disabled={save.isPending}>
					Write it down
				</button>
				<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={onDone}>
					Leave it
				</button>
			</div>
		</form>
	);
}
