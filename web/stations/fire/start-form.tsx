import type { FiringCard } from "@contract/views";
import { useState } from "react";
import { useAct } from "../../lib/api";
import { Check, ChoiceField } from "../../ui/fields";
import { Trouble } from "../../ui/notice";

const CLOCKS = [
	{ value: "1", label: "real time" },
	{ value: "60", label: "stand-in, clock ×60" },
	{ value: "600", label: "stand-in, clock ×600" },
	{ value: "3600", label: "stand-in, clock ×3600" },
] as const;

/** Somebody stands at the kiln and has pressed its start: here the record begins. */
export function StartForm({ firing }: { firing: FiringCard }) {
	const [clock, setClock] = useState<(typeof CLOCKS)[number]["value"]>("1");
	const [there, setThere] = useState(false);
	const start = useAct("startFiring");
	const cancel = useAct("cancelFiring");
	const [through, setThrough] = useState(false);
	const steer = useAct("steerKiln");
	const standIn = firing.kiln.line === "standIn";
	const mayStart = firing.kiln.line === "modbus" && firing.kiln.permissions.start;
	const back = firing.pieces.length;
	return (
		<form
			className="flex flex-col gap-3"
			onSubmit={async (event) => {
				event.preventDefault();
				if (through && there) {
					const asked = { firingId: firing.id, command: "start" as const, sure: true as const, somebodyThere: there };
					const taken = await steer.mutateAsync(asked).catch(() => null);
					if (!taken) return;
				}
				start.mutate({ firingId: firing.id, speedUp: Number(clock) as 1, somebodyThere: there as true });
			}}
		>
			{standIn ? (
				<ChoiceField
					label="Kiln clock"
					value={clock}
					onChange={(value) => setClock(value)}
					options={CLOCKS}
					hint="This kiln is simulated: pressing start here presses the stand-in’s own. The calendar keeps its pace."
				/>
			) : (
				<p className="text-soft">
					{firing.kiln.line
						? "Type the schedule into the kiln’s controller and press its start; its readings come by themselves."
						: "This kiln has no line: nothing is measured. Opening goes by the clock and by looking at its own display."}
				</p>
			)}
			<Check
				weighty
				label={through ? "Somebody is at the kiln" : "Somebody is at the kiln and has pressed its start"}
				checked={there}
				onChange={(checked) => setThere(checked)}
			/>
			{mayStart && (
				<Check
					weighty
					label="press its start through the line, while they watch"
					checked={through}
					onChange={(checked) => setThrough(checked)}
				/>
			)}
			<Trouble error={steer.error ?? start.error ?? cancel.error} />
			<button type="submit" className="btn btn-primary" disabled={start.isPending}>
				Start firing {firing.number}
			</button>
			<button
				type="button"
				className="btn btn-ghost"
				disabled={cancel.isPending}
				onClick={() => cancel.mutate({ firingId: firing.id })}
			>
				{back === 0
					? "Call it off"
					: `Call it off: ${back} ${back === 1 ? "piece goes" : "pieces go"} back to the tray`}
			</button>
		</form>
	);
}
