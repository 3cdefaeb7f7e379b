import type { Glass } from "@core/glass/glass";
import type { KitDesign } from "@core/kit/kit";
import { STARTERS, type Starter, starterKit } from "@core/kit/starters";
import { useMemo } from "react";
import { useFigure, usePrefs } from "../../lib/prefs";
import { KitPlan } from "../../ui/kit-plan";
import { newId } from "./draft";

const WORDS: Record<Starter, { title: string; says: string }> = {
	sandwichTile: { title: "Sandwich tile", says: "Two clear squares, lines between: fused level." },
	openwork: { title: "Openwork", says: "Bars that cross, no base: built on shelf paper." },
	rings: { title: "Rings", says: "Shingles in two rings on a disc: tack fused." },
};

/** A bench with nothing on it: the first step, or a whole kit to change. */
export function EmptyBench({ glasses, onStart }: { glasses: readonly Glass[]; onStart(kit: KitDesign): void }) {
	const { units } = usePrefs();
	const figure = useFigure();
	const kits = useMemo(
		() => STARTERS.map((starter) => ({ starter, kit: starterKit(starter, glasses, newId) })),
		[glasses],
	);
	return (
		<div className="flex h-full flex-col items-center justify-center gap-5 overflow-y-auto text-center">
			<div className="max-w-md">
				<p className="text-xl font-bold">Nothing lies here yet</p>
				<p className="mt-1 text-soft">
					Lay a first part with <kbd className="kbd kbd-sm">A</kbd>: a clear square of{" "}
					{figure({ mm: units.length === "in" ? 101.6 : 100 })} is a good base. Or begin from one of these and change
					it.
				</p>
			</div>
			<ul className="grid w-full max-w-2xl grid-cols-3 gap-3 max-lg:grid-cols-1">
				{kits.map(({ starter, kit }) => (
					<li key={starter}>
						<button
							type="button"
							aria-label={`${WORDS[starter].title}. ${WORDS[starter].says}`}
							disabled={!kit}
							title={kit ? undefined : "There is no sheet glass in the book yet"}
							className="flex h-full w-full flex-col items-center gap-1 rounded border border-line bg-base-100 p-3 hover:bg-pick disabled:opacity-50"
							onClick={() => kit && onStart(kit)}
						>
							{kit && <KitPlan design={kit} glasses={glasses} className="h-30 w-full" />}
							<b className="text-base">{WORDS[starter].title}</b>
							<span className="text-soft">{WORDS[starter].says}</span>
						</button>
					</li>
				))}
			</ul>
		</div>
	);
}
