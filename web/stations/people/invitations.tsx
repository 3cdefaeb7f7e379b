import type { InvitationView, Role } from "@contract/people";
import { dayAndClock } from "@formats/time";
import { useState } from "react";
import { ChoiceField, TextField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { SecretAddress } from "../../ui/secret-address";

/** Who is asked to join, and the address that lets them in once. */
export function Invitations({ invitations }: { invitations: readonly InvitationView[] }) {
	const { timeZone } = usePrefs();
	const [role, setRole] = useState<Role>("assistant");
	const [forWhom, setForWhom] = useState("");
	const invite = useAct("invite", () => setForWhom(""));
	const takeBack = useAct("takeBackInvitation");
	return (
		<section aria-label="Invitations" className="mt-6 flex flex-col gap-3">
			<h2>Invite somebody</h2>
			<form
				aria-label="Invite"
				noValidate
				className="grid grid-cols-[minmax(0,1fr)_10rem_auto] items-end gap-3 max-lg:grid-cols-1"
				onSubmit={(event) => {
					event.preventDefault();
					invite.mutate({ role, forWhom });
				}}
			>
				<TextField label="For whom" value={forWhom} onChange={setForWhom} />
				<ChoiceField<Role>
					label="As"
					value={role}
					options={[
						{ value: "assistant", label: "assistant" },
						{ value: "instructor", label: "instructor" },
					]}
					onChange={setRole}
				/>
				<button type="submit" className="btn btn-primary" disabled={invite.isPending || forWhom.trim() === ""}>
					Make the address
				</button>
			</form>
			<Trouble error={invite.error ?? takeBack.error} />
			{invite.data && (
				<div role="status" className="flex flex-col gap-1 border-l-4 border-secondary bg-base-100 px-3 py-2">
					<p>
						Give them this address: it lets one person in, until {dayAndClock(invite.data.expiresAt, timeZone)}. It is
						shown only now.
					</p>
					<SecretAddress label="Address of the invitation" path={invite.data.path} />
				</div>
			)}
			{invitations.length > 0 && (
				<ul className="ruled">
					{invitations.map(({ id, role: as, forWhom: whom, expiresAt }) => (
						<li key={id} className="flex items-center justify-between gap-3 py-1.5">
							<span>
								<b>{whom}</b>{" "}
								<span className="text-soft">
									as {as}, until {dayAndClock(expiresAt, timeZone)}
								</span>
							</span>
							<button
								type="button"
								className="btn btn-ghost btn-sm max-lg:h-11"
								disabled={takeBack.isPending}
								onClick={() => takeBack.mutate({ invitationId: id })}
							>
								Take back
							</button>
						</li>
					))}
				</ul>
			)}
			<p className="text-soft">
				Assistants cut, hand in, load and open; they see no money and no doors. Instructors may do everything.
			</p>
		</section>
	);
}
