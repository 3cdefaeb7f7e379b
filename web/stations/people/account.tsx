import { TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/account";
import { framed, type StationProps } from "../../ui/frame/framed";
import { SecondFactor } from "./second-factor";
import { Sessions } from "./sessions";
import { signOut } from "./sign-out";

export default framed("account", null, help, Account);

/** Who is signed in: change the password, ask for a code at the door, end other sessions, sign out. */
function Account({ view, frame: { person, studio } }: StationProps<"account">) {
	return (
		<div className="scroll-y h-full px-6 py-6">
			<div className="mx-auto flex max-w-4xl items-center justify-between gap-4">
				<div>
					<h1>{person.name}</h1>
					<p className="text-soft">
						{person.role} at {studio}
					</p>
				</div>
				<span className="flex gap-2">
					{person.role === "instructor" && (
						<a className="btn" href="/settings">
							Settings
						</a>
					)}
					{person.role === "instructor" && (
						<a className="btn" href="/people">
							People and what happened
						</a>
					)}
					<button type="button" className="btn btn-primary" onClick={signOut}>
						Sign out
					</button>
				</span>
			</div>
			<div className="mx-auto mt-5 grid max-w-4xl grid-cols-2 gap-x-12 gap-y-8 border-t border-line pt-5 max-lg:grid-cols-1">
				<Password />
				<SecondFactor userId={view.userId} {...view.secondFactor} />
				<section aria-label="Where you are signed in" className="col-span-full">
					<h2 className="mb-1">Where you are signed in</h2>
					<Sessions userId={view.userId} sessions={view.sessions} />
				</section>
			</div>
		</div>
	);
}

function Password() {
	const form = useActForm("changePassword", {
		start: { current: "", next: "" },
		schema: async () => (await import("@contract/people")).actions.changePassword,
		next: () => ({ current: "", next: "" }),
	});
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<h2>Change your password</h2>
			<TextField label="Present password" type="password" autoComplete="current-password" {...form.field("current")} />
			<TextField
				label="New password"
				type="password"
				autoComplete="new-password"
				hint="At least 10 characters, and not one that is tried first. Your other devices are signed out."
				{...form.field("next")}
			/>
			<Problems problems={form.others()} />
			<button type="submit" className="btn self-start" disabled={form.pending}>
				Change it
			</button>
			<p role="status" className="font-semibold text-success">
				{form.answer && "Changed."}
			</p>
		</form>
	);
}
