import { WISH_STEPS, WISHES, type WishStep } from "@core/loading/plan/wishes";
import { WISH_WORDS } from "../../ui/wish-words";
import type { SettingsForm } from "./customs-fields";

const STEP_WORDS: Record<WishStep, string> = { less: "less", usual: "as usual", more: "more" };

/** What counts more, and what less, when loads are planned over kilns and days. */
export function WishFields({ form }: { form: SettingsForm }) {
	const wishes = form.values.settings.customs.planWishes;
	return (
		<>
			<p className="mb-3 max-w-prose text-soft">
				What plans weigh, in the order in which it usually counts. “More” counts three times as much, “less” a third.
				What is forbidden stays forbidden: nothing is fired too fast, too hot or touching.
			</p>
			<ul className="ruled max-w-2xl">
				{WISHES.map((wish) => (
					<li key={wish} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-4 py-2.5">
						<span>
							<b className="block">{WISH_WORDS[wish].long}</b>
							<span className="text-soft">{WISH_WORDS[wish].more}</span>
						</span>
						<span role="group" aria-label={WISH_WORDS[wish].long} className="join">
							{WISH_STEPS.map((step) => (
								<button
									key={step}
									type="button"
									aria-pressed={wishes[wish] === step}
									className={`btn btn-sm join-item max-lg:h-11 ${wishes[wish] === step ? "btn-secondary" : ""}`}
									onClick={() => form.set(`settings.customs.planWishes.${wish}`, step)}
								>
									{STEP_WORDS[step]}
								</button>
							))}
						</span>
					</li>
				))}
			</ul>
			<label className="mt-4 flex max-w-2xl items-start gap-3">
				<input
					type="checkbox"
					className="checkbox mt-0.5"
					checked={form.values.settings.customs.mixFamilies}
					onChange={(event) => form.set("settings.customs.mixFamilies", event.target.checked)}
				/>
				<span>
					<b className="block">Two families on halves of one shelf</b>
					<span className="text-soft">
						By hand only, where one schedule suits both: each on its half, a strip free between. Glasses of two families
						that are mixed up crack, sometimes weeks later.
					</span>
				</span>
			</label>
		</>
	);
}
