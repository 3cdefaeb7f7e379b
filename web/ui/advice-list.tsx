import type { Advice } from "@core/advice";
import { phraseText } from "@core/units/phrase";
import type { ReactNode } from "react";
import { usePrefs } from "../lib/prefs";
import { SeverityMark } from "./signs";

interface Props<A extends Advice> {
	advice: readonly A[];
	/** Said where there is none. */
	none: string;
	label: string;
	keyOf(one: A): string;
	/** Applies one of its remedies; left out where nothing may be changed. */
	onFix?: ((one: A, press: NonNullable<A["fix"]>) => void) | undefined;
	/** Somebody looks at one: with the pointer or by keyboard. */
	onLook?: ((one: A | undefined) => void) | undefined;
	/** More that belongs to it. */
	more?(one: A): ReactNode;
}

/** What will come of a plan, worst first: severity, figure, reason and remedy, and presses that apply it. */
export function AdviceList<A extends Advice>({ advice, none, label, keyOf, onFix, onLook, more }: Props<A>) {
	const { units } = usePrefs();
	if (advice.length === 0) return <p className="py-3 text-soft">{none}</p>;
	return (
		<ul className="ruled" aria-label={label}>
			{advice.map((one) => (
				<li
					key={keyOf(one)}
					className="grid grid-cols-[3.75rem_minmax(0,1fr)] gap-x-1.5 py-2"
					onPointerEnter={() => onLook?.(one)}
					onPointerLeave={() => onLook?.(undefined)}
					onFocus={() => onLook?.(one)}
					onBlur={() => onLook?.(undefined)}
				>
					<p>
						<SeverityMark severity={one.severity} />
					</p>
					<div>
						<p>{phraseText(one.sentence, units)}</p>
						<p className="mt-0.5 text-soft">{phraseText(one.remedy, units)}</p>
						{more?.(one)}
						{onFix && (
							<div className="flex flex-wrap gap-1.5">
								{pressesOf(one).map((press) => (
									<button
										key={phraseText(press.label, units)}
										type="button"
										className="btn btn-sm mt-1.5 h-auto min-h-8 py-1 max-w-full whitespace-normal text-left max-lg:min-h-11"
										onClick={() => onFix(one, press)}
									>
										{phraseText(press.label, units)}
									</button>
								))}
							</div>
						)}
					</div>
				</li>
			))}
		</ul>
	);
}

const pressesOf = <A extends Advice>({ fix, orElse = [] }: A): NonNullable<A["fix"]>[] =>
	fix ? [fix, ...(orElse as NonNullable<A["fix"]>[])] : [];
