import type { ActionOutput } from "@contract/actions";
import { useState } from "react";
import { TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";

interface Props {
	userId: string;
	on: boolean;
	recoveryLeft: number;
	/** It was set up, and the codes for a lost device are written down. */
	onReady?(): void;
}

/** A code from a device besides the password: off, being set up, on. */
export function SecondFactor({ userId, on, recoveryLeft, onReady }: Props) {
	const [begun, setBegun] = useState<ActionOutput["beginSecondFactor"] | null>(null);
	const [recovery, setRecovery] = useState<string[] | null>(null);
	return (
		<section aria-label="A code at the door" className="flex flex-col gap-3">
			<h2>A code at the door</h2>
			{recovery && <Recovery codes={recovery} onDone={() => (onReady ?? (() => setRecovery(null)))()} />}
			{!recovery && begun && !on && (
				<Confirm
					{...begun}
					onConfirmed={(codes) => {
						setBegun(null);
						setRecovery(codes);
					}}
				/>
			)}
			{!recovery && !begun && !on && <Begin onBegun={setBegun} />}
			{!recovery && on && <Drop userId={userId} recoveryLeft={recoveryLeft} />}
		</section>
	);
}

function Begin({ onBegun }: { onBegun(begun: ActionOutput["beginSecondFactor"]): void }) {
	const form = useActForm("beginSecondFactor", {
		start: { current: "" },
		schema: async () => (await import("@contract/people")).actions.beginSecondFactor,
		next: () => ({ current: "" }),
		done: onBegun,
	});
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<p className="text-soft">
				Off. A telephone with a program for one-time codes can show six digits that are asked for besides the password:
				who learns the password alone then stays outside.
			</p>
			<TextField label="Your password" type="password" autoComplete="current-password" {...form.field("current")} />
			<Problems problems={form.others()} />
			<button type="submit" className="btn self-start" disabled={form.pending}>
				Set it up
			</button>
		</form>
	);
}

function Confirm({
	secret,
	qrPath,
	qrSize,
	onConfirmed,
}: ActionOutput["beginSecondFactor"] & { onConfirmed(recovery: string[]): void }) {
	const form = useActForm("confirmSecondFactor", {
		start: { code: "" },
		schema: async () => (await import("@contract/people")).actions.confirmSecondFactor,
		done: ({ recovery }) => onConfirmed(recovery),
	});
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<div className="flex gap-4">
				<svg
					viewBox={`0 0 ${qrSize} ${qrSize}`}
					className="size-40 shrink-0 bg-white"
					role="img"
					aria-label="The secret as a picture for the device’s camera"
				>
					<path d={qrPath} fill="black" />
				</svg>
				<p className="min-w-0 text-soft">
					Let the device read this picture, or type
					<b className="figure block break-all text-base-content">{secret.match(/.{1,4}/g)?.join(" ")}</b>
				</p>
			</div>
			<TextField
				label="The six digits it shows"
				inputMode="numeric"
				autoComplete="one-time-code"
				{...form.field("code")}
			/>
			<Problems problems={form.others()} />
			<button type="submit" className="btn btn-primary self-start" disabled={form.pending}>
				Ask for it from now on
			</button>
		</form>
	);
}

function Recovery({ codes, onDone }: { codes: readonly string[]; onDone(): void }) {
	return (
		<>
			<p>
				<b>Write these down now.</b> Each opens the door once, on a day the device is lost. They are not shown again.
			</p>
			<ul className="figure grid grid-cols-2 gap-x-6 text-lg">
				{codes.map((code) => (
					<li key={code}>{code}</li>
				))}
			</ul>
			<button type="button" className="btn btn-primary self-start" onClick={onDone}>
				They are written down
			</button>
		</>
	);
}

function Drop({ userId, recoveryLeft }: { userId: string; recoveryLeft: number }) {
	return (
		<>
			<p>
				<b className="text-success">On.</b> Six digits are asked for at every signing in.{" "}
				<span className="text-soft">
					<b className="figure">{recoveryLeft}</b> of the codes you wrote down are left.
				</span>
			</p>
			<DropForm userId={userId} />
		</>
	);
}

/** Whoever switches a code off, their own or that of somebody whose device is lost, types their own password. */
export function DropForm({ userId }: { userId: string }) {
	const form = useActForm("dropSecondFactor", {
		start: { userId, current: "" },
		schema: async () => (await import("@contract/people")).actions.dropSecondFactor,
		next: (values) => ({ ...values, current: "" }),
	});
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<TextField label="Your password" type="password" autoComplete="current-password" {...form.field("current")} />
			<Problems problems={form.others()} />
			<button type="submit" className="btn self-start" disabled={form.pending}>
				Switch it off
			</button>
		</form>
	);
}
