import type { Customs } from "@core/studio/customs";
import type { LengthUnit } from "@core/units/length";
import type { TemperatureUnit } from "@core/units/temperature";
import { loadNextFiring, setNextFiring, setSpots, takenSpots } from "@db/queries/studio";
import { studio } from "@db/schema";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { saved } from "../house/saved";

/** What a studio's customs permit and ask for, in words of the record of what happened. */
const permitted = ({ assistantsMay: { load, open }, earlyByTwo, codesFor }: Customs) =>
	[
		`assistants: ${load ? "load and start" : "do not load"}, ${open ? "open" : "do not open"}`,
		`hot kilns: opened by ${earlyByTwo ? "two" : "one"}`,
		`codes: ${codesFor}`,
	].join("; ");

/** What the studio is and how it fires. Pieces that were promised, fired or priced before stay as they were. */
export const saveSettings: UseCase<"saveSettings"> = async (
	{ tx, studio: { id, customs }, ...asking },
	{ settings, schools, revision },
) => {
	const { spots, units, nextFiring, ...rest } = settings;
	const taken = (await takenSpots(tx)).filter((label) => !spots.includes(label));
	if (taken.length > 0)
		throw new Refusal("conflict", [
			{ path: ["settings", "spots"], sentence: `Pieces lie at ${taken.join(", ")}. Collect them or move them first.` },
		]);
	const next = await loadNextFiring(tx);
	if (nextFiring < next)
		throw new Refusal("conflict", [
			{
				path: ["settings", "nextFiring"],
				sentence: `Firing ${next - 1} is in the book already. The next one is number ${next} or more.`,
			},
		]);
	const [lengthUnit, temperatureUnit] = units.split(".") as [LengthUnit, TemperatureUnit];
	const { heat, soak, cooling, warmUp, dots } = schools;
	const row = {
		id,
		...rest,
		lengthUnit,
		temperatureUnit,
		heatSchool: heat,
		soakSchool: soak,
		coolingSchool: cooling,
		warmUpSchool: warmUp,
		dotSchool: dots,
	};
	const at = await saved("the settings", tx, studio, row, revision);
	const permits = permitted(rest.customs);
	if (permits !== permitted(customs)) await noteAudit(tx, "permissions", permits, asking);
	await setSpots(tx, spots);
	if (nextFiring > next) await setNextFiring(tx, nextFiring);
	return { revision: at };
};
