import type { MicrowaveView } from "@contract/microwave";
import { parsePowers } from "@core/microwave/powers";
import { firstSentence } from "@core/units/written";
import { useState } from "react";
import { TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { PutAway, useAway } from "../../ui/put-away";

/** Ovens and the powers each can be set to: watts as written beside its dial. */
export function OvenForm({ ovens }: { ovens: MicrowaveView["ovens"] }) {
	const [open, setOpen] = useState<string | null>(null);
	const { listed, toggle } = useAway(ovens);
	return (
		<section aria-label="Ovens" className="mt-4">
			<h2 className="mb-1">Ovens</h2>
			<ul className="ruled">
				{listed.map((oven) => (
					<li key={oven.id} className="py-1.5">
						<button
							type="button"
							className="flex min-h-9 w-full justify-between gap-2 text-left"
							onClick={() => setOpen(oven.id)}
						>
							<b>{oven.name}</b>
							<span className="figure text-soft">{oven.retired ? "put away" : `${oven.watts.join(", ")} W`}</span>
						</button>
						{open === oven.id && (
							<>
								<Edit oven={oven} onDone={() => setOpen(null)} />
								<PutAway
									what="oven"
									id={oven.id}
									name={oven.name}
									retired={oven.retired}
									onStruck={() => setOpen(null)}
								/>
							</>
						)}
					</li>
				))}
			</ul>
			{toggle}
			{open === "new" ? (
				<Edit
					oven={{ id: crypto.randomUUID(), revision: 0, name: "", watts: [], retired: false }}
					onDone={() => setOpen(null)}
				/>
			) : (
				<button type="button" className="btn btn-sm mt-1.5 max-lg:h-11" onClick={() => setOpen("new")}>
					Add an oven
				</button>
			)}
		</section>
	);
}

function Edit({ oven, onDone }: { oven: MicrowaveView["ovens"][number]; onDone(): void }) {
	const form = useActForm("saveOven", {
		start: { oven: { id: oven.id, name: oven.name, watts: oven.watts }, revision: oven.revision },
		schema: async () => (await import("@contract/microwave")).actions.saveOven,
		done: onDone,
	});
	const [unread, setUnread] = useState("");
	const [typed, setTyped] = useState(oven.watts.join(", "));
	const setWatts = (text: string) => {
		setTyped(text);
		const read = parsePowers(text);
		form.set("oven.watts", read.ok ? read.value : []);
		setUnread(read.ok ? "" : firstSentence(read.problems));
	};
	return (
		<form className="flex flex-col gap-2 py-2" noValidate onSubmit={form.submit}>
			<TextField compact label="Oven" {...form.field("oven.name")} />
			<TextField
				compact
				label="Powers"
				value={typed}
				onChange={setWatts}
				error={unread || form.errorAt("oven.watts")}
				hint="All it can be set to: 180, 350, 500, 750 W, or its full power and shares of it, 900 W, 70 %, 50 %."
			/>
			<Problems problems={form.others()} />
			<div className="flex gap-2">
				<button type="submit" className="btn btn-primary btn-sm max-lg:h-11" disabled={form.pending}>
					Write it down
				</button>
				<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={onDone}>
					Leave it
				</button>
			</div>
		</form>
	);
}
