import { useState } from "react";

interface Props {
	/** What the address is for: its field's name. */
	label: string;
	path: string;
	children?: React.ReactNode;
}

/** An address that is its own key: shown whole to be copied, with what else can be done with it beside. */
export function SecretAddress({ label, path, children }: Props) {
	const [copied, setCopied] = useState("");
	const address = typeof location === "undefined" ? path : new URL(path, location.origin).href;
	return (
		<div className="flex flex-col gap-2">
			<input
				className="input figure h-11 w-full"
				aria-label={label}
				readOnly
				value={address}
				onFocus={(event) => event.target.select()}
			/>
			<div className="flex flex-wrap gap-1.5">
				<button
					type="button"
					className="btn btn-sm btn-primary max-lg:h-11"
					onClick={() => void navigator.clipboard?.writeText(address).then(() => setCopied(address))}
				>
					{copied === address ? "Copied" : "Copy"}
				</button>
				{children}
			</div>
		</div>
	);
}
