import { useState } from "react";

interface Props {
	/** What the button says first, and beside it what else can be done. */
	label: string;
	children?: React.ReactNode;
	/** What is said before the second press, and what its buttons say. */
	warning: React.ReactNode;
	sure: string;
	keep?: string;
	pending: boolean;
	onSure(): void;
}

/** What cannot be undone is said first and pressed twice. */
export function TwoPresses({ label, children, warning, sure, keep = "Keep it", pending, onSure }: Props) {
	const [asked, setAsked] = useState(false);
	return asked ? (
		<>
			<p>{warning}</p>
			<div className="flex flex-wrap gap-1.5">
				<button type="button" className="btn btn-sm text-error max-lg:h-11" disabled={pending} onClick={onSure}>
					{sure}
				</button>
				<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={() => setAsked(false)}>
					{keep}
				</button>
			</div>
		</>
	) : (
		<div className="flex flex-wrap gap-1.5">
			{children}
			<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={() => setAsked(true)}>
				{label}
			</button>
		</div>
	);
}
