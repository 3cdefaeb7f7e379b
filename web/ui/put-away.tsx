import type { KeptThing } from "@contract/keeping";
import { useState } from "react";
import { Trouble } from "../forms/notice";
import { useAct } from "../lib/api";
import { TwoPresses } from "./two-presses";

interface Props {
	what: KeptThing;
	id: string;
	name: string;
	retired: boolean;
	/** Once it is out of the book. */
	onStruck(): void;
}

/** Puts a thing away or brings it back; takes it out of the book where nothing refers to it. */
export function PutAway({ what, id, name, retired, onStruck }: Props) {
	const putAway = useAct("putAway");
	const strike = useAct("strikeOut", onStruck);
	return (
		<section aria-label="Put away or delete" className="flex flex-col gap-2 border-t border-line pt-3">
			<p className="text-soft">
				{retired ? "It is put away: known where it was used, offered for nothing new." : "No longer wanted?"}
			</p>
			<TwoPresses
				label="Delete …"
				warning={
					<>
						Delete <b>{name}</b> for good? This cannot be undone.
					</>
				}
				sure="Delete it"
				pending={strike.isPending}
				onSure={() => strike.mutate({ what, id })}
			>
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={putAway.isPending}
					onClick={() => putAway.mutate({ what, id, retired: !retired })}
				>
					{retired ? "Bring it back" : "Put it away"}
				</button>
			</TwoPresses>
			<Trouble error={strike.error ?? putAway.error} />
		</section>
	);
}

/** A list's way to what is put away. */
export function AwayToggle({ count, shown, onShow }: { count: number; shown: boolean; onShow(shown: boolean): void }) {
	if (count === 0) return null;
	return (
		<button
			type="button"
			className="btn btn-ghost btn-sm max-lg:h-11"
			aria-pressed={shown}
			onClick={() => onShow(!shown)}
		>
			{shown ? "Hide what is put away" : `Put away: ${count}`}
		</button>
	);
}

/** What a list shows: what is in use, and the rest where it is asked for. */
export function useAway<T extends { retired?: boolean }>(all: readonly T[]) {
	const [shown, setShown] = useState(false);
	const away = all.filter(({ retired }) => retired);
	return {
		listed: shown ? [...all] : all.filter(({ retired }) => !retired),
		toggle: <AwayToggle count={away.length} shown={shown} onShow={setShown} />,
	};
}
