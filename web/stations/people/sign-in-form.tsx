import type { Trouble } from "@contract/action";
import { useState } from "react";
import { TextField } from "../../forms/fields";

/** How long one has to wait, as the server says it. */
const sentenceOf = (response: Response): Promise<string> =>
	response.json().then(
		({ problems }: Trouble) => problems[0]?.sentence ?? TOO_OFTEN,
		() => TOO_OFTEN,
	);
const TOO_OFTEN = "Too many tries. Wait a minute, then try again.";

/** The door. Wrong and too often are said apart. */
export default function SignInForm({ then }: { then: string }) {
	const [email, setEmail] = useState("");
	const [password, setPassword] = useState("");
	const [trouble, setTrouble] = useState<string | null>(null);
	const [busy, setBusy] = useState(false);
	const submit = async () => {
		setBusy(true);
		setTrouble(null);
		const response = await fetch("/api/auth/sign-in/email", {
			method: "POST",
			headers: { "Content-Type": "application/json" },
			body: JSON.stringify({ email, password }),
		}).catch(() => null);
		if (response?.ok) return location.assign(then);
		setBusy(false);
		setTrouble(
			response === null
				? "The server cannot be reached. Try again in a moment."
				: response.status === 429
					? await sentenceOf(response)
					: "This e-mail and password do not belong together.",
		);
	};
	return (
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
			{trouble && (
				<p role="alert" className="font-semibold text-error">
					{trouble}
				</p>
			)}
			<button type="submit" className="btn btn-primary" disabled={busy}>
				{busy ? "Signing in …" : "Sign in"}
			</button>
		</form>
	);
}
