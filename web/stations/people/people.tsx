import type { AuditKind, PersonView } from "@contract/people";
import { dayAndClock } from "@formats/time";
import { useState } from "react";
import { Trouble } from "../../forms/notice";
import { help } from "../../help/people";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { MoreOf } from "../../ui/more-of";
import { Invitations } from "./invitations";
import { DropForm } from "./second-factor";
import { Sessions } from "./sessions";

export default framed("people", null, help, People);

const KIND_WORDS: Record<AuditKind, string> = {
	signedIn: "signed in",
	signInRefused: "not let in",
	signedOut: "signed out",
	passwordChanged: "password changed",
	secondFactor: "code at the door",
	sessionsEnded: "sessions ended",
	disabled: "account shut",
	enabled: "account opened",
	forbidden: "not allowed",
	steered: "kiln steered",
	exported: "taken out",
	begun: "studio begun",
	erased: "person erased",
	invited: "invited",
	joined: "joined",
	roleChanged: "role changed",
	openedEarly: "kiln opened early",
	outOfService: "kiln closed or brought back",
	invitationTakenBack: "invitation taken back",
	permissions: "permissions changed",
	recorderConfirmed: "recorder confirmed",
};
/** What one looks for first when something is wrong. */
const STANDS_OUT: readonly AuditKind[] = ["signInRefused", "forbidden", "steered", "disabled"];

/** Who has an account, where they are signed in, and what happened at the door and beyond it. */
function People({ view }: StationProps<"people">) {
	return (
		<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="People" className="scroll-y border-r border-line px-6 py-4">
				<h1 className="mb-2">People</h1>
				<ul className="ruled">
					{view.people.map((person) => (
						<Person key={person.id} person={person} />
					))}
				</ul>
				<Invitations invitations={view.invitations} />
			</section>
			<section aria-label="What happened" className="scroll-y px-6 py-4">
				<House {...view.house} />
				<h2 className="mb-2">What happened</h2>
				<Happened rows={view.audit} />
				<MoreOf shown={view.audit.length} all={view.audits} first="the newest" />
			</section>
		</div>
	);
}

const hours = (s: number): string => (s < 5400 ? `${Math.round(s / 60)} min` : `${Math.round(s / 3600)} h`);

/** How old the last copy of the book is, and how much room is left. */
function House({ copiedAgoS, freeBytes }: StationProps<"people">["view"]["house"]) {
	return (
		<dl className="mb-5 flex gap-10">
			<div>
				<dt className="text-soft">Last copy of the book</dt>
				<dd className="figure text-2xl font-bold">{copiedAgoS === null ? "none yet" : `${hours(copiedAgoS)} ago`}</dd>
			</div>
			{freeBytes !== null && (
				<div>
					<dt className="text-soft">Free on its disk</dt>
					<dd className="figure text-2xl font-bold">{Math.floor(freeBytes / 1e9)} GB</dd>
				</div>
			)}
		</dl>
	);
}

function Person({ person }: { person: PersonView }) {
	const { id, name, email, role, own, disabledAt, demoPassword, secondFactor, sessions } = person;
	const { timeZone } = usePrefs();
	const [open, setOpen] = useState(false);
	const shut = useAct("setDisabled");
	const setRole = useAct("setRole");
	const other = role === "instructor" ? "assistant" : "instructor";
	const doors = sessions.length === 1 ? "signed in once" : `signed in ${sessions.length} times`;
	return (
		<li className="py-3">
			<div className="flex items-start justify-between gap-3">
				<span className="min-w-0">
					<b className={`text-lg ${disabledAt ? "text-soft line-through" : ""}`}>{name}</b>
					<span className="text-soft">
						{" "}
						{role}
						{own && ", you"}
						<span className="block">{email}</span>
						<span className="block">
							{secondFactor ? "a code is asked for at the door" : "no code is asked for"}
							{demoPassword && <b className="text-warning">, still the demo password</b>}
						</span>
						{disabledAt && <span className="block">Shut since {dayAndClock(disabledAt, timeZone)}.</span>}
					</span>
				</span>
				<span className="flex shrink-0 gap-2">
					<button type="button" className="btn btn-sm max-lg:h-11" aria-expanded={open} onClick={() => setOpen(!open)}>
						{sessions.length === 0 ? "not signed in" : doors}
					</button>
					{!own && (
						<button
							type="button"
							className="btn btn-ghost btn-sm max-lg:h-11"
							disabled={setRole.isPending}
							onClick={() => setRole.mutate({ userId: id, role: other })}
						>
							Make {other}
						</button>
					)}
					{!own && (
						<button
							type="button"
							className="btn btn-sm max-lg:h-11"
							disabled={shut.isPending}
							onClick={() => shut.mutate({ userId: id, disabled: !disabledAt })}
						>
							{disabledAt ? "Open again" : "Shut the account"}
						</button>
					)}
				</span>
			</div>
			<Trouble error={shut.error ?? setRole.error} />
			{open && (
				<div className="mt-2 ml-4 border-l-2 border-line pl-4">
					<Sessions userId={id} sessions={sessions} />
					{secondFactor && !own && (
						<section aria-label={`The code of ${name}`} className="mt-4">
							<p className="mb-2">
								<b>Their device is lost?</b> Make sure that it is {name} who asks, then switch the code off for them.
							</p>
							<DropForm userId={id} />
						</section>
					)}
				</div>
			)}
		</li>
	);
}

function Happened({ rows }: { rows: StationProps<"people">["view"]["audit"] }) {
	const { timeZone } = usePrefs();
	if (rows.length === 0) return <p className="text-soft">Nothing yet.</p>;
	return (
		<table className="w-full text-left">
			<thead className="text-soft">
				<tr>
					<th scope="col">when</th>
					<th scope="col">what</th>
					<th scope="col">by whom, about what</th>
				</tr>
			</thead>
			<tbody>
				{rows.map(({ id, at, kind, who, address, about }) => (
					<tr key={id} className="border-t border-line align-top">
						<td className="figure py-1.5 pr-4 whitespace-nowrap">{dayAndClock(at, timeZone)}</td>
						<td
							className={`py-1.5 pr-4 whitespace-nowrap ${STANDS_OUT.includes(kind) ? "font-semibold text-error" : ""}`}
						>
							{KIND_WORDS[kind]}
						</td>
						<td className="py-1.5">
							<span className="break-words">
								{who && <b>{who} </b>}
								{about}
							</span>
							{address && <span className="block text-soft">from {address}</span>}
						</td>
					</tr>
				))}
			</tbody>
		</table>
	);
}
