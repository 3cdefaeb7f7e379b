import { useState } from "react";
import { useAct } from "../../lib/api";
import { TextField } from "../../ui/fields";
import { framed, type StationProps } from "../../ui/framed";
import { Trouble, troubleAt } from "../../ui/notice";

export default framed("today", null, Account);

/** Who is signed in: change the password, sign out. */
function Account({ frame }: StationProps<"today">) {
	const [current, setCurrent] = useState("");
	const [next, setNext] = useState("");
	const change = useAct("changePassword", () => {
		setCurrent("");
		setNext("");
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
			<form
				className="flex flex-col gap-3 border-t border-line pt-4"
				onSubmit={(event) => {
					event.preventDefault();
					change.mutate({ current, next });
				}}
			>
				<h2>Change your password</h2>
				<TextField
					label="Present password"
					type="password"
					autoComplete="current-password"
					value={current}
					onChange={setCurrent}
					error={troubleAt(change.error, "current")}
				/>
				<TextField
					label="New password"
					type="password"
					autoComplete="new-password"
					value={next}
					onChange={setNext}
					error={troubleAt(change.error, "next")}
					hint="At least 10 characters. Your other devices are signed out."
				/>
				<Trouble error={change.error} except={["current", "next"]} />
				<button type="submit" className="btn" disabled={change.isPending}>
					Change it
				</button>
				<p role="status" className="font-semibold text-success">
					{change.data && "Changed."}
				</p>
			</form>
			<button type="button" className="btn btn-primary" onClick={signOut}>
				Sign out
			</button>
		</div>
	);
}
