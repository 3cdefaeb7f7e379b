import type { FirstStepsView } from "@contract/begin";
import { GLASS_FORMS } from "@core/glass/glass";
import { starterGlass } from "@core/glass/starter-glass";
import { groupBy } from "@core/group-by";
import { useState } from "react";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";

/** The starter list of one family: what one has is ticked, and comes into the book. */
export function GlassStep({ view }: { view: FirstStepsView }) {
	const [familyId, setFamilyId] = useState(view.families[0]?.id ?? "");
	const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
	const figure = useFigure();
	const add = useAct("addStarterGlass", () => setChosen(new Set()));
	const glasses = starterGlass(familyId);
	const there = new Set(view.glassIds);
	const open = glasses.filter(({ id }) => !there.has(id));
	const forms = groupBy(
		GLASS_FORMS.flatMap((form) => glasses.filter((one) => one.form === form)),
		({ form }) => form,
	);
	const toggle = (id: string) => {
		const next = new Set(chosen);
		if (!next.delete(id)) next.add(id);
		setChosen(next);
	};
	return (
		<div className="flex max-w-4xl flex-col gap-4">
			<div className="flex flex-wrap items-center gap-3">
				<div className="join" role="group" aria-label="Family">
					{view.families.map(({ id, label }) => (
						<button
							key={id}
							type="button"
							className={`btn join-item ${id === familyId ? "btn-secondary" : ""}`}
							aria-pressed={id === familyId}
							onClick={() => {
								setFamilyId(id);
								setChosen(new Set());
							}}
						>
							family {label}
						</button>
					))}
				</div>
				<button
					type="button"
					className="btn btn-ghost"
					onClick={() => setChosen(new Set(chosen.size === open.length ? [] : open.map(({ id }) => id)))}
				>
					{chosen.size === open.length && open.length > 0 ? "None of them" : "All of them"}
				</button>
				<button
					type="button"
					className="btn btn-primary ml-auto"
					disabled={chosen.size === 0 || add.isPending}
					onClick={() => add.mutate({ ids: [...chosen] })}
				>
					{chosen.size === 0 ? "Tick what you have" : `Put ${chosen.size} into the book`}
				</button>
			</div>
			<Trouble error={add.error} />
			{[...forms].map(([form, its]) => (
				<section key={form} aria-label={form}>
					<h3 className="mb-1.5 text-soft">{form}</h3>
					<ul className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-2 border-b-4 border-primary/80 pb-1">
						{its.map((glass) => (
							<li key={glass.id}>
								<label
									className={`flex min-h-11 cursor-pointer flex-col ${there.has(glass.id) ? "opacity-60" : "hover:outline-2 hover:outline-line"} ${chosen.has(glass.id) ? "outline-3 outline-secondary" : ""}`}
								>
									<svg className="h-9 w-full border border-black/20" aria-hidden="true">
										<rect width="100%" height="100%" fill={glass.firedColour} />
									</svg>
									<span className="flex items-center gap-1.5 px-1 py-1">
										<input
											type="checkbox"
											className="checkbox checkbox-secondary checkbox-sm"
											checked={there.has(glass.id) || chosen.has(glass.id)}
											disabled={there.has(glass.id)}
											onChange={() => toggle(glass.id)}
										/>
										<span className="min-w-0">
											<b className="block truncate">{glass.name}</b>
											<span className="figure block text-[12.5px] text-soft">
												{there.has(glass.id)
													? "in the book"
													: glass.form === "frit"
														? glass.grade
														: figure({ mm: glass.thicknessMm })}
											</span>
										</span>
									</span>
								</label>
							</li>
						))}
					</ul>
				</section>
			))}
			<p className="text-soft">
				Names, colours and what reacts are plain guesses: change them at Books to what your glass maker says, and add
				prices. Never mix families in one piece.
			</p>
		</div>
	);
}
