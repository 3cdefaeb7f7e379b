import { TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { framed, type StationProps } from "../../ui/frame/framed";

export default framed("today", null, Account);

/** Who is signed in: change the password, sign out. */
function Account({ frame }: StationProps<"today">) {
	const form = useActForm("changePassword", {
		start: { current: "", next: "" },
		schema: async () => (await import("@contract/people")).actions.changePassword,
		next: () => ({ current: "", next: "" }),
	});
	const signOut = async () => {
		await fetch("/api/auth/sign-out", { method: "POST", headers: { "Content-Type": "application/json" }, body: "{}" });
		location.assign("/sign-in");
	};
	return (
		<div className="scroll-y mx-auto flex h-full max-w-md flex-col gap-4 px-6 py-6">
			<div>
				<h1>{frame.person.name}</h1>
				<p className="text-soft">
					{frame.person.role} at {frame.studio}
				</p>
			</div>
			<form className="flex flex-col gap-3 border-t border-line pt-4" noValidate onSubmit={form.submit}>
				<h2>Change your password</h2>
				<TextField
					label="Present password"
					type="password"
					autoComplete="current-password"
					{...form.field("current")}
				/>
				<TextField
					label="New password"
					type="password"
					autoComplete="new-password"
					hint="At least 10 characters. Your other devices are signed out."
					{...form.field("next")}
				/>
				<Problems problems={form.others()} />
				<button type="submit" className="btn" disabled={form.pending}>
					Change it
				</button>
				<p role="status" className="font-semibold text-success">
					{form.answer && "Changed."}
				</p>
			</form>
			<button type="button" className="btn btn-primary" onClick={signOut}>
				Sign out
			</button>
		</div>
	);
}
