import { memo } from "react";
import { useDraft } from "./draft";

/** The components of a kit, and which of them lies open on the bench. */
export const ComponentBar = memo(function ComponentBar({ mayEdit }: { mayEdit: boolean }) {
	const design = useDraft((draft) => draft.document);
	const opened = useDraft((draft) => draft.opened);
	const open = useDraft((draft) => draft.open);
	const edit = useDraft((draft) => draft.edit);
	if (design.components.length === 0) return null;
	const component = design.components.find(({ id }) => id === opened);
	const uses = (id: string) =>
		design.parts.filter((part) => part.kind === "component" && part.componentId === id).length;
	return (
		<section aria-label="Components" className="border-t border-line px-3 py-2">
			<h2 className="mb-1">Made in an earlier firing</h2>
			{design.components.map(({ id, name, firing }) => (
				<div key={id} className="flex items-center gap-2">
					<span className="min-w-0 grow truncate">
						<b>{name}</b>{" "}
						<span className="figure text-soft">
							firing {firing + 1}, used {uses(id)} ×
						</span>
					</span>
					<button
						type="button"
						className={`btn btn-sm ${id === opened ? "btn-secondary" : ""}`}
						onClick={() => open(id === opened ? undefined : id)}
					>
						{id === opened ? "Back to the kit" : "Open"}
					</button>
					{mayEdit && id !== opened && uses(id) === 0 && (
						<button
							type="button"
							className="btn btn-ghost btn-sm"
							onClick={() =>
								edit((before) => ({ ...before, components: before.components.filter((one) => one.id !== id) }))
							}
						>
							Remove
						</button>
					)}
				</div>
			))}
			{component && (
				<p className="mt-1 text-soft">
					You see the parts of {component.name}. What you change here changes every use of it.
				</p>
			)}
		</section>
	);
});
