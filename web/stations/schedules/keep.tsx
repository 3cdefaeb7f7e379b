import type { KilnCard } from "@contract/kilns";
import type { ScheduleView } from "@contract/schedules";
import type { ScheduleDocument } from "@core/firing/document";
import type { Segment } from "@core/firing/schedule";
import { USUAL_SCHOOLS } from "@core/firing/schools";
import { counted } from "@core/units/counted";
import { firstSentence } from "@core/units/written";
import { longDay } from "@formats/time";
import { useState } from "react";
import { TextField } from "../../forms/fields";
import { FileField } from "../../forms/file-field";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { saveFile } from "../../lib/save-file";
import { SaveBar } from "../../ui/kept/save-bar";
import type { KeptDocument } from "../../ui/kept/use-kept";
import { PutAway } from "../../ui/put-away";

interface Props {
	view: ScheduleView;
	document: ScheduleDocument;
	kiln: KilnCard | undefined;
	instructor: boolean;
	scheduleId: string;
	kept: Pick<KeptDocument, "keep" | "changed" | "pending" | "error" | "issues" | "revision">;
	onImport(segments: Segment[]): void;
	onDocument(document: ScheduleDocument): void;
}

/** Keeping a schedule, its versions, firing it, and files in and out. */
export function Keep(props: Props) {
	const { view, document, instructor } = props;
	const { timeZone } = usePrefs();
	const { changed, revision, issues } = props.kept;
	const another = useAct("saveSchedule", ({ scheduleId }) => location.assign(`/fire/schedule?id=${scheduleId}`));
	const schools = useAct("saveSchools");
	if (!instructor) return <Files {...props} />;
	return (
		<div className="flex flex-col gap-4">
			<section aria-label="Keep" className="flex flex-col gap-2">
				<SaveBar
					kept={props.kept}
					words={{ keep: revision > 0 ? "Keep the change" : `Keep “${document.name}”`, kept: "Kept" }}
					obstacle={issues[0]?.message}
				/>
				{revision > 0 && (
					<button
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={another.isPending}
						onClick={() =>
							another.send((newId) => ({
								scheduleId: newId(),
								revision: 0,
								document: { ...document, name: `${document.name}, another`.slice(0, 80) },
							}))
						}
					>
						Keep it as another schedule
					</button>
				)}
				<Trouble error={another.error} />
				<p className="text-soft">What was fired keeps the version it had.</p>
				{view.schedule && view.schedule.versions.length > 0 && (
					<ul className="ruled">
						{view.schedule.versions.map(({ version, frozenAt, firings, document: frozen }) => (
							<li key={version} className="flex items-center justify-between gap-2 py-1">
								<span>
									<b>version {version}</b>{" "}
									<span className="text-soft">
										{longDay(new Date(frozenAt), timeZone)}, {counted(firings, "firing")}
									</span>
								</span>
								<button type="button" className="btn btn-ghost btn-sm" onClick={() => props.onDocument(frozen)}>
									bring back
								</button>
							</li>
						))}
					</ul>
				)}
			</section>
			<FireIt {...props} keptAs={changed ? null : props.scheduleId} />
			<section aria-label="The studio’s schools" className="flex flex-col gap-2 border-t border-line pt-3">
				<h2>The studio’s schools</h2>
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={schools.isPending}
					onClick={() => schools.mutate({ schools: document.schools ?? USUAL_SCHOOLS, revision: view.schoolsRevision })}
				>
					{schools.isSuccess ? "The studio fires like this now" : "Fire like this from now on"}
				</button>
				<p className="text-soft">
					New schedules and loads begin with the schools of this one. What is kept stays as it is.
				</p>
				<Trouble error={schools.error} />
			</section>
			<Files {...props} />
			{view.schedule && (
				<PutAway
					what="schedule"
					id={view.schedule.id}
					name={view.schedule.document.name}
					retired={view.schedule.retired}
					onStruck={() => location.assign("/fire/schedule")}
				/>
			)}
		</div>
	);
}

/** Gives a planned firing this schedule, or plans a bare one. */
function FireIt({ view, document, kiln, keptAs: scheduleId }: Props & { keptAs: string | null }) {
	const [what, setWhat] = useState("");
	const give = useAct("reschedule", ({ firingId }) => location.assign(`/fire?firing=${firingId}`));
	const plan = useAct("planFiring", ({ firingId }) => location.assign(`/fire?firing=${firingId}`));
	const { firing } = view;
	if (firing) {
		return (
			<section aria-label="Fire it" className="flex flex-col gap-2 border-t border-line pt-3">
				<button
					type="button"
					className="btn btn-primary"
					disabled={give.isPending}
					onClick={() => give.mutate({ firingId: firing.id, scheduleId, document })}
				>
					Give firing {firing.number} this schedule
				</button>
				<Trouble error={give.error} />
			</section>
		);
	}
	return (
		<section aria-label="Fire it" className="flex flex-col gap-2 border-t border-line pt-3">
			<h2>Plan a bare firing in the {kiln?.name ?? "kiln"}</h2>
			<TextField
				compact
				label="What it is for"
				value={what}
				onChange={setWhat}
				hint="Tests, dots, a kiln’s first run."
			/>
			<button
				type="button"
				className="btn"
				disabled={plan.isPending || !kiln || what.trim() === ""}
				onClick={() =>
					kiln && plan.send((id) => ({ firingId: id(), kilnId: kiln.id, scheduleId, document, what: what.trim() }))
				}
			>
				Plan it
			</button>
			<Trouble error={plan.error} />
		</section>
	);
}

/** Open formats: a table of segments, or the whole document. */
function Files({ document, onImport, onDocument }: Props) {
	const [problem, setProblem] = useState("");
	const slug = document.name.replace(/[^a-z0-9]+/gi, "-").toLowerCase() || "schedule";
	const read = async (file: File) => {
		const text = await file.text();
		setProblem("");
		if (file.name.toLowerCase().endsWith(".json")) {
			const { scheduleDocument } = await import("@contract/documents/schedule");
			const parsed = scheduleDocument.safeParse(jsonOf(text));
			if (parsed.success) onDocument(parsed.data);
			else setProblem(parsed.error.issues[0]?.message ?? "This is no schedule.");
			return;
		}
		const { readScheduleCsv } = await import("@formats/schedule-file");
		const segments = readScheduleCsv(text);
		if (segments.ok) onImport(segments.value);
		else setProblem(firstSentence(segments.problems, "This is no table of segments."));
	};
	return (
		<section aria-label="Files" className="flex flex-col gap-2 border-t border-line pt-3">
			<h2>Files</h2>
			<div className="flex flex-wrap gap-1.5">
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					onClick={async () => {
						const { scheduleCsv } = await import("@formats/schedule-file");
						saveFile(scheduleCsv(document.segments), `${slug}.csv`, "text/csv");
					}}
				>
					CSV
				</button>
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					onClick={() => saveFile(JSON.stringify(document, null, "\t"), `${slug}.json`, "application/json")}
				>
					JSON
				</button>
			</div>
			<FileField
				compact
				label="Bring segments or a schedule in"
				accept=".csv,.json,text/csv,application/json"
				error={problem || undefined}
				onFile={(file) => void read(file)}
			/>
		</section>
	);
}

function jsonOf(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return null;
	}
}
