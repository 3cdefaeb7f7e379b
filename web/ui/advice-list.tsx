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
	/** Applies its remedy; left out where nothing may be changed. */
	onFix?: ((one: A) => void) | undefined;
	/** Somebody looks at one: with the pointer or by keyboard. */
	onLook?: ((one: A | undefined) => void) | undefined;
	/** More that belongs to it. */
	more?(one: A): ReactNode;
}

/** What will come of a plan, worst first: severity, figure, reason and remedy, and one press that applies it. */
export function AdviceList<A extends Advice>({ advice, none, label, keyOf, onFix, onLook, more }: Props<A>) {
	const { units } = usePrefs();
	if (advice.length === 0) return <p className="py-3 text-soft">{none}</p>;
	return (
		<ul className="ruled" aria-label={label}>
			{advice.map((one) => (
				<li
					key={keyOf(one)}
					className="py-2"
					onPointerEnter={() => onLook?.(one)}
					onPointerLeave={() => onLook?.(undefined)}
					onFocus={() => onLook?.(one)}
					onBlur={() => onLook?.(undefined)}
				>
					<p>
						<SeverityMark severity={one.severity} /> {phraseText(one.sentence, units)}
					</p>
					<p className="mt-0.5 text-soft">{phraseText(one.remedy, units)}</p>
					{more?.(one)}
					{one.fix && onFix && (
						<button type="button" className="btn btn-sm mt-1.5 max-lg:h-11" onClick={() => onFix(one)}>
							{phraseText(one.fix.label, units)}
						</button>
					)}
				</li>
			))}
		</ul>
	);
}
