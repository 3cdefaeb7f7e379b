import { Composite, CompositeItem, CompositeProvider } from "@ariakit/react/composite";
import { Popover, PopoverDisclosure, PopoverProvider } from "@ariakit/react/popover";
import { boundsOf } from "@core/geometry/bounds";
import type { Glass } from "@core/glass/glass";
import { emptyKit, LARGEST_KIT } from "@core/kit/kit";
import { ownRegion } from "@core/kit/plan";
import { Plus } from "lucide-react";
import { memo, useState } from "react";
import { useKeys } from "../../../lib/use-keys";
import { regionPath } from "../../../ui/region-path";
import { useDraft, useParts } from "../draft";
import { NEW_PART_WORDS, NEW_PARTS, type NewPart, newPart, onTop } from "./new-part";

const GROUPS: { title: string; parts: readonly NewPart[] }[] = [
	{ title: "Cut from sheet", parts: NEW_PARTS.slice(0, 8) },
	{ title: "Laid or strewn", parts: NEW_PARTS.slice(8, 14) },
	{ title: "Metal, fibre, walls", parts: NEW_PARTS.slice(14) },
];

/** Everything that can be laid on the bench, each with a small drawing of itself. "A" opens it. */
export const AddMenu = memo(function AddMenu({
	glasses,
	onLine,
}: {
	glasses: readonly Glass[];
	onLine(form: "stringer" | "ribbon"): void;
}) {
	const [open, setOpen] = useState(false);
	const parts = useParts();
	const design = useDraft((draft) => draft.document);
	const opened = useDraft((draft) => draft.opened);
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const firing = opened === undefined ? Math.max(0, ...parts.map((part) => part.firing)) : 0;

	const bench = { parts, components: design.components, glasses };

	useKeys({ a: () => setOpen(true) });

	const add = (what: NewPart) => {
		setOpen(false);
		const part = newPart(what, bench, firing);
		if (!part) return;
		editParts((all) => [...all, part]);
		choose([part.id]);
	};
	const placeComponent = (componentId: string, name: string, madeIn: number) => {
		setOpen(false);
		const part = onTop(bench, name, { kind: "component", componentId }, { firing: Math.max(firing, madeIn + 1) });
		editParts((all) => [...all, part]);
		choose([part.id]);
	};

	return (
		<PopoverProvider open={open} setOpen={setOpen} placement="bottom-start">
			<div className="p-3">
				<PopoverDisclosure
					className="btn btn-primary w-full"
					aria-keyshortcuts="a"
					disabled={parts.length >= LARGEST_KIT.parts}
				>
					<Plus size={18} aria-hidden="true" /> Lay a part{" "}
					<kbd className="kbd kbd-sm bg-transparent text-current">A</kbd>
				</PopoverDisclosure>
			</div>
			<Popover
				gutter={4}
				unmountOnHide
				aria-label="What can be laid"
				className="z-30 max-h-[64vh] w-[38rem] overflow-y-auto rounded border border-line bg-base-100 p-3 shadow-lg max-lg:w-[90vw]"
			>
				<CompositeProvider focusLoop>
					<Composite>
						{GROUPS.map(({ title, parts: kinds }) => (
							<section key={title} aria-label={title} className="mb-2">
								<h2 className="mb-1">{title}</h2>
								<div className="grid grid-cols-6 max-lg:grid-cols-4 gap-1">
									{kinds.map((what) => (
										<AddButton key={what} what={what} glasses={glasses} onAdd={() => add(what)} />
									))}
								</div>
							</section>
						))}
						<section aria-label="Drawn" className="mb-2 flex flex-wrap gap-2 border-t border-line pt-2">
							{(["stringer", "ribbon"] as const).map((form) => (
								<CompositeItem
									key={form}
									className="btn btn-sm"
									onClick={() => {
										setOpen(false);
										onLine(form);
									}}
								>
									Draw a {form} point by point
								</CompositeItem>
							))}
						</section>
						{opened === undefined && design.components.length > 0 && (
							<section
								aria-label="Components of this kit"
								className="flex flex-wrap items-center gap-2 border-t border-line pt-2"
							>
								<h2>Made before</h2>
								{design.components.map(({ id, name, firing: madeIn }) => (
									<CompositeItem key={id} className="btn btn-sm" onClick={() => placeComponent(id, name, madeIn)}>
										{name}
									</CompositeItem>
								))}
							</section>
						)}
					</Composite>
				</CompositeProvider>
			</Popover>
		</PopoverProvider>
	);
});

function AddButton({ what, glasses, onAdd }: { what: NewPart; glasses: readonly Glass[]; onAdd(): void }) {
	const part = newPart(what, { parts: [], components: [], glasses }, 0);
	const region = part
		? ownRegion(
				part,
				emptyKit(),
				glasses.find(({ id }) => "glassId" in part && id === part.glassId),
			)
		: [];
	const { minX, maxY, widthMm, heightMm } = boundsOf(region);
	const side = Math.max(widthMm, heightMm, 12) * 1.15;
	return (
		<CompositeItem
			disabled={!part}
			title={part ? undefined : "No glass of this form is in the book yet"}
			className="flex min-h-16 min-w-0 flex-col items-center justify-end gap-1 rounded px-0.5 py-1.5 text-[13px] leading-tight hover:bg-pick disabled:opacity-40"
			onClick={onAdd}
		>
			<svg
				viewBox={`${minX + widthMm / 2 - side / 2} ${-maxY + heightMm / 2 - side / 2} ${side} ${side}`}
				className="h-9 w-12 fill-secondary/25 stroke-base-content/70"
				aria-hidden="true"
			>
				<path d={regionPath(region)} fillRule="evenodd" strokeWidth="1.3" vectorEffect="non-scaling-stroke" />
			</svg>
			{NEW_PART_WORDS[what]}
		</CompositeItem>
	);
}
