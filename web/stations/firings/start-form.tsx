import type { FiringCard } from "@contract/firings";
import { counted } from "@core/units/counted";
import { Check } from "../../forms/check";
import { ChoiceField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { CostLine, HouseHoursLines } from "./house-hours";

const CLOCKS = [
	{ value: "1", label: "real time" },
	{ value: "60", label: "stand-in, clock ×60" },
	{ value: "600", label: "stand-in, clock ×600" },
	{ value: "3600", label: "stand-in, clock ×3600" },
] as const;
type Clock = (typeof CLOCKS)[number]["value"];

/** Somebody stands at the kiln and has pressed its start: here the record begins. */
export function StartForm({ firing }: { firing: FiringCard }) {
	const steer = useAct("steerKiln");
	const cancel = useAct("cancelFiring");
	const form = useActForm("startFiring", {
		start: { speedUp: "1" as Clock, somebodyThere: false, through: false },
		schema: async () => (await import("@contract/firings")).actions.startFiring,
		sent: ({ speedUp, somebodyThere }) => ({
			firingId: firing.id,
			speedUp: Number(speedUp) as 1,
			somebodyThere: somebodyThere as true,
		}),
		async before({ through }) {
			if (!through) return true;
			const asked = { firingId: firing.id, command: "start" as const, sure: true as const, somebodyThere: true };
			return steer
				.sendAsync((id) => ({ noteId: id(), ...asked }))
				.then(
					() => true,
					() => false,
				);
		},
	});
	const { through, somebodyThere } = form.values;
	const standIn = firing.kiln.line === "standIn";
	const mayStart = firing.kiln.line === "modbus" && firing.kiln.permissions.start;
	const back = firing.pieces.length;
	const openAt = new Date(useNow(60) + firing.openS * 1000).toISOString();
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			{firing.pieces.length > 0 && (
				<p>
					<a className="underline" href={`/load/lay?firing=${firing.id}`}>
						Lay it in by scanning
					</a>{" "}
					·{" "}
					<a className="underline" href={`/load/sheet?firing=${firing.id}`}>
						print map and lists
					</a>
				</p>
			)}
			<HouseHoursLines house={firing.house} openAt={openAt} />
			<CostLine cost={firing.cost} />
			{standIn ? (
				<ChoiceField
					label="Kiln clock"
					options={CLOCKS}
					{...form.field("speedUp")}
					hint="This kiln is simulated: pressing start here presses the stand-in’s own. The calendar keeps its pace."
				/>
			) : (
				<p className="text-soft">
					{firing.kiln.line
						? "Type the schedule into the kiln’s controller and press its start; its readings come by themselves."
						: "This kiln has no line: nothing measures it. Before it is opened somebody reads its own display."}
				</p>
			)}
			<Check
				weighty
				label={through ? "Somebody is at the kiln" : "Somebody is at the kiln and has pressed its start"}
				checked={somebodyThere}
				onChange={(checked) => form.set("somebodyThere", checked)}
			/>
			{mayStart && (
				<Check
					weighty
					label="press its start through the line, while they watch"
					checked={through}
					onChange={(checked) => form.set("through", checked)}
				/>
			)}
			<Problems problems={form.others()} />
			<Trouble error={steer.error ?? cancel.error} />
			<button type="submit" className="btn btn-primary" disabled={form.pending}>
				Start firing {firing.number}
			</button>
			<button
				type="button"
				className="btn btn-ghost"
				disabled={cancel.isPending}
				onClick={() => cancel.mutate({ firingId: firing.id })}
			>
				{back === 0 ? "Call it off" : `Call it off: ${counted(back, "piece goes", "pieces go")} back to the tray`}
			</button>
		</form>
	);
}
