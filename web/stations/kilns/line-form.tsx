import type { KilnForm } from "@contract/documents/kiln";
import type { KilnView } from "@contract/kilns";
import { LINE_STATUSES } from "@core/kiln/line-status";
import { GENERIC_MAP, KILN_COMMANDS, type Register, type RegisterMap, STAND_IN } from "@core/kiln/register-map";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Caution, Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { agoWords } from "../../lib/staleness";
import { KilnHeatFigure } from "../../ui/kiln-heat";

type Line = NonNullable<KilnForm["line"]>;
const DRIVERS = [
	{ value: "none", label: "none: it is read by eye" },
	{ value: "standIn", label: "stand-in that ships with the product" },
	{ value: "modbus", label: "Modbus TCP" },
	{ value: "folder", label: "a folder where a recorder puts CSV logs" },
] as const;
type Driver = (typeof DRIVERS)[number]["value"];

const driverOf = (line: Line | null): Driver =>
	line === null ? "none" : line.driver === "folder" ? "folder" : line.host === STAND_IN ? "standIn" : "modbus";

/** How the kiln is read, where its controller keeps what, and what may be asked of it. */
export function LineForm({ view, instructor }: { view: KilnView; instructor: boolean }) {
	const nowMs = useNow();
	const form = useActForm("saveKiln", {
		start: { kiln: view.form, revision: view.revision },
		schema: async () => (await import("@contract/kilns")).actions.saveKiln,
	});
	const { line, permissions } = form.values.kiln;
	const setLine = (next: Line | null) => form.set("kiln.line", next);
	const setPermissions = (next: KilnForm["permissions"]) => form.set("kiln.permissions", next);
	const driver = driverOf(line);
	const now = useView("kilnNow", { id: view.form.id }).data;
	const start = (next: Driver): Line | null => {
		if (next === "none") return null;
		if (next === "folder")
			return { driver: "folder", folder: view.form.name.replace(/[^a-z0-9]+/gi, "-").toLowerCase() };
		const host = next === "standIn" ? STAND_IN : "192.168.1.40";
		return { driver: "modbus", host, port: next === "standIn" ? 1 : 502, unit: 1, map: GENERIC_MAP };
	};
	return (
		<form className="flex max-w-3xl flex-col gap-4" noValidate onSubmit={form.submit}>
			{now && (
				<div>
					<KilnHeatFigure heat={now.heat} className="text-2xl" soft="text-soft" />
					{now.latest && now.heat.how === "measured" && (
						<span className="text-soft">
							last read {agoWords(Math.max(0, (nowMs - Date.parse(now.latest.at)) / 1000))}
							{now.latest.status && `, ${now.latest.status}`}
						</span>
					)}
				</div>
			)}
			<fieldset disabled={!instructor} className="flex flex-col gap-4">
				<ChoiceField<Driver> label="Line" value={driver} options={DRIVERS} onChange={(next) => setLine(start(next))} />
				{line?.driver === "folder" && (
					<TextField
						label="Folder"
						value={line.folder}
						hint={`Files ending in .csv in the data folder, under logs/${line.folder}, are read whenever they change, once you have confirmed what their columns mean. Their times have to be dates with times.`}
						onChange={(folder) => setLine({ ...line, folder })}
					/>
				)}
				{line?.driver === "modbus" && (
					<>
						<div className="grid grid-cols-3 gap-3">
							{driver === "modbus" && (
								<TextField label="Address" value={line.host} onChange={(host) => setLine({ ...line, host })} />
							)}
							<NumberField
								kind="count"
								label={driver === "standIn" ? "Which of its kilns" : "Port"}
								value={line.port}
								onChange={(port) => setLine({ ...line, port: port ?? Number.NaN })}
							/>
							<NumberField
								kind="count"
								label="Unit"
								value={line.unit}
								onChange={(unit) => setLine({ ...line, unit: unit ?? Number.NaN })}
							/>
						</div>
						<details>
							<summary className="cursor-pointer font-semibold">Register map of the controller</summary>
							<MapForm map={line.map} onMap={(map) => setLine({ ...line, map })} />
						</details>
					</>
				)}
				{line !== null && line.driver !== "folder" && (
					<section aria-label="What may be steered" className="flex flex-col gap-1">
						<h2>What may be asked of it from here</h2>
						<Check
							label="hold, release, skip and stop a firing, asked each time"
							checked={permissions.steer}
							onChange={(steer) => setPermissions({ ...permissions, steer })}
						/>
						<Check
							label="resume and extend as well, with somebody at the kiln"
							checked={permissions.start}
							onChange={(start) => setPermissions({ ...permissions, start })}
						/>
						<p className="text-soft">Without these it is only read.</p>
					</section>
				)}
			</fieldset>
			<Caution>
				A kiln is not started, resumed or extended from afar: somebody is there. An independent over-temperature cut-out
				protects, not software.
			</Caution>
			{instructor && (
				<div className="flex items-center gap-4">
					<button type="submit" className="btn btn-primary" disabled={form.pending}>
						{form.isKept ? "Written down" : "Read it like this"}
					</button>
					<Problems problems={form.others()} />
				</div>
			)}
		</form>
	);
}

const VALUES = [
	["airC", "temperature, degrees Celsius"],
	["setC", "set point, degrees Celsius"],
	["duty", "power, 0 to 1"],
	["segment", "segment, from 1"],
	["elapsedS", "seconds since its start"],
	["kwh", "energy, kWh"],
	["status", "status"],
] as const;
const EMPTY: Register = { table: "holding", address: 0, type: "u16", scale: 1, none: null };

/** One line a value: table, register, how it is written and what one step of it means. */
function MapForm({ map, onMap }: { map: RegisterMap; onMap(map: RegisterMap): void }) {
	return (
		<div className="mt-2 flex flex-col gap-3 overflow-x-auto">
			<table>
				<thead>
					<tr className="text-left text-soft">
						{["value", "table", "register", "written as", "one step is", "“nothing” is"].map((head) => (
							<th key={head} scope="col" className="pr-3 font-normal">
								{head}
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{VALUES.map(([name, label]) => {
						const register = map[name];
						const set = (change: Partial<Register>) => onMap({ ...map, [name]: { ...(register ?? EMPTY), ...change } });
						return (
							<tr key={name} className="border-t border-line">
								<th scope="row" className="pr-3 text-left font-normal">
									{name === "airC" ? (
										label
									) : (
										<Check
											label={label}
											checked={register !== null}
											onChange={(has) => onMap({ ...map, [name]: has ? EMPTY : null })}
										/>
									)}
								</th>
								{register && (
									<>
										<td className="pr-2">
											<Choose
												label={`Table of ${label}`}
												value={register.table}
												values={["holding", "input"]}
												onChange={(table) => set({ table })}
											/>
										</td>
										<td className="pr-2">
											<Figure
												label={`Register of ${label}`}
												value={register.address}
												onChange={(address) => set({ address: address ?? 0 })}
											/>
										</td>
										<td className="pr-2">
											<Choose
												label={`Writing of ${label}`}
												value={register.type}
												values={["u16", "s16", "u32"]}
												onChange={(type) => set({ type })}
											/>
										</td>
										<td className="pr-2">
											<Figure
												label={`Step of ${label}`}
												value={register.scale}
												onChange={(scale) => set({ scale: scale ?? 1 })}
											/>
										</td>
										<td>
											<Figure
												label={`Nothing of ${label}`}
												value={register.none}
												onChange={(none) => set({ none })}
												empty
											/>
										</td>
									</>
								)}
							</tr>
						);
					})}
				</tbody>
			</table>
			<div className="flex flex-wrap gap-x-5 gap-y-2">
				{LINE_STATUSES.map((status) => (
					<span key={status} className="flex items-center gap-2">
						{status}
						<Figure
							label={`Number of status ${status}`}
							value={map.statusWords[status] ?? null}
							onChange={(value) => {
								const { [status]: _, ...others } = map.statusWords;
								onMap({ ...map, statusWords: value === null ? others : { ...others, [status]: value } });
							}}
							empty
						/>
					</span>
				))}
			</div>
			<div className="flex flex-wrap gap-x-5 gap-y-2">
				{KILN_COMMANDS.map((command) => {
					const coded = map.commands[command] ?? { address: 0, value: 0 };
					const set = (change: Partial<typeof coded>) =>
						onMap({ ...map, commands: { ...map.commands, [command]: { ...coded, ...change } } });
					return (
						<span key={command} className="flex items-center gap-1">
							{command}: write
							<Figure
								label={`Value of ${command}`}
								value={coded.value}
								onChange={(value) => set({ value: value ?? 0 })}
							/>
							to
							<Figure
								label={`Register of ${command}`}
								value={coded.address}
								onChange={(address) => set({ address: address ?? 0 })}
							/>
						</span>
					);
				})}
			</div>
		</div>
	);
}

function Choose<T extends string>(props: { label: string; value: T; values: readonly T[]; onChange(value: T): void }) {
	return (
		<select
			className="select select-sm h-9 w-24"
			aria-label={props.label}
			value={props.value}
			onChange={(event) => props.onChange(event.target.value as T)}
		>
			{props.values.map((value) => (
				<option key={value}>{value}</option>
			))}
		</select>
	);
}

function Figure(props: { label: string; value: number | null; onChange(value: number | null): void; empty?: boolean }) {
	return (
		<input
			className="input input-sm figure h-9 w-20"
			aria-label={props.label}
			type="number"
			step="any"
			value={props.value ?? ""}
			onChange={({ target }) => props.onChange(target.value === "" && props.empty ? null : Number(target.value))}
		/>
	);
}
