import type { Trouble } from "@contract/action";
import type { Role } from "@contract/people";
import { written } from "@core/units/written";
import { useState } from "react";
import { TextField } from "../../forms/fields";

/** What the server says, in its own words, and the field it is about. */
const troubleOf = (response: Response): Promise<Trouble["problems"][number]> =>
	response.json().then(
		({ problems }: Trouble) => problems[0] ?? NO_WORDS,
		() => NO_WORDS,
	);
const NO_WORDS = { path: [], sentence: ["The server gave no answer that can be read. Try again in a moment."] };
const NOT_THERE = { path: [], sentence: ["The server cannot be reached. Try again in a moment."] };

/** The door. Wrong and too often are said apart; a code is asked for once the password was right. */
export default function SignInForm({ then, doors }: { then: string; doors: readonly { role: Role; name: string }[] }) {
	const [email, setEmail] = useState("");
	const [password, setPassword] = useState("");
	const [code, setCode] = useState<string | null>(null);
	const [trouble, setTrouble] = useState<string | null>(null);
	const [busy, setBusy] = useState(false);
	const send = async (path: string, body: object) => {
		setBusy(true);
		setTrouble(null);
		const response = await fetch(`/api/auth/${path}`, {
			method: "POST",
			headers: { "Content-Type": "application/json" },
			body: JSON.stringify(body),
		}).catch(() => null);
		if (response?.ok) return location.assign(then);
		setBusy(false);
		const { path: field, sentence } = response === null ? NOT_THERE : await troubleOf(response);
		if (field[0] === "code") setCode((typed) => typed ?? "");
		setTrouble(written(sentence));
	};
	const submit = () => send("sign-in/email", { email, password, ...(code !== null && { code }) });
	return (
		<>
			{doors.length > 0 && (
				<div className="flex flex-col gap-2">
					{doors.map(({ role, name }) => (
						<button
							key={role}
							type="button"
							className="btn btn-primary h-12"
							disabled={busy}
							onClick={() => void send("enter-demo", { role })}
						>
							Enter as {name}, {role}
						</button>
					))}
				</div>
			)}
			<form
				className="flex flex-col gap-4"
				onSubmit={(event) => {
					event.preventDefault();
					void submit();
				}}
			>
				<TextField label="E-mail" type="email" autoComplete="username" value={email} onChange={setEmail} />
				<TextField
					label="Password"
					type="password"
					autoComplete="current-password"
					value={password}
					onChange={setPassword}
				/>
				{code !== null && (
					<TextField label="Code" inputMode="numeric" autoComplete="one-time-code" value={code} onChange={setCode} />
				)}
				{trouble && (
					<p role="alert" className="font-semibold text-error">
						{trouble}
					</p>
				)}
				<button type="submit" className={`btn h-12 ${doors.length > 0 ? "" : "btn-primary"}`} disabled={busy}>
					{busy ? "Signing in …" : "Sign in"}
				</button>
			</form>
		</>
	);
}
