import { byId } from "@core/by-id";
import type { Glass } from "@core/glass/glass";
import { swapFamily } from "@core/kit/family-swap";
import { useMemo } from "react";
import { beginKitFrom } from "../../../lib/begin-kit";
import { useFigure } from "../../../lib/prefs";
import { SwatchPair } from "../../../ui/signs";
import { useDraft } from "../draft";

/** Looks alike enough that nobody would tell them apart on a shelf. */
const ALIKE = 0.03;

/** Which glass of another family takes the place of which, what has no partner, and the kit of it. */
export function OtherFamily({
	glasses,
	familyId,
	label,
}: {
	glasses: readonly Glass[];
	familyId: string;
	label: string;
}) {
	const figure = useFigure();
	const design = useDraft((draft) => draft.document);
	const {
		swaps,
		without,
		design: swapped,
	} = useMemo(() => swapFamily(design, byId(glasses), familyId), [design, glasses, familyId]);
	if (swaps.length + without.length === 0) return null;
	return (
		<section aria-label={`Its glass in family ${label}`} className="mt-4">
			<h2 className="mb-1">Its glass in family {label}</h2>
			<ul className="ruled">
				{swaps.map(({ from, to, difference, thickerMm }) => (
					<li key={from.id} className="flex items-center gap-2 py-1.5">
						<SwatchPair bought={from.boughtColour} fired={from.firedColour} label={from.name} />
						<span aria-hidden="true">→</span>
						<SwatchPair bought={to.boughtColour} fired={to.firedColour} label={to.name} />
						<span className="min-w-0 grow">
							<span className="block truncate">
								{from.name} → <b>{to.name}</b>
							</span>
							<span className="block text-[13px] text-soft">
								{difference < ALIKE ? "looks alike" : "another shade"}
								{thickerMm !== 0 && `, ${figure({ mm: Math.abs(thickerMm) })} ${thickerMm > 0 ? "thicker" : "thinner"}`}
							</span>
						</span>
					</li>
				))}
			</ul>
			{without.length > 0 && (
				<p className="mt-2 font-semibold text-warning">
					No partner in family {label}: {without.map(({ name }) => name).join(", ")}.
				</p>
			)}
			<button
				type="button"
				className="btn btn-sm mt-2 h-auto min-h-9 w-full max-lg:min-h-11"
				disabled={without.length > 0}
				onClick={() => beginKitFrom({ ...swapped, name: `${design.name}, family ${label}` })}
			>
				Keep it as a kit of its own
			</button>
		</section>
	);
}
