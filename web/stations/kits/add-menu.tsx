import { boundsOf } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import { emptyKit, LARGEST_KIT } from "@core/kit/kit";
import { ownRegion } from "@core/kit/plan";
import { Plus } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { regionPath } from "../../ui/kit-plan";
import { useDraft, useParts } from "./draft";
import { NEW_PART_WORDS, NEW_PARTS, type NewPart, newPart } from "./new-part";

const GROUPS: { title: string; parts: readonly NewPart[] }[] = [
	{ title: "Cut from sheet", parts: NEW_PARTS.slice(0, 8) },
	{ title: "Laid or strewn", parts: NEW_PARTS.slice(8, 14) },
	{ title: "Metal, fibre, walls", parts: NEW_PARTS.slice(14) },
];

/** Everything that can be laid on the bench, each with a small drawing of itself. "A" opens it. */
export function AddMenu({ glasses, onLine }: { glasses: readonly Glass[]; onLine(form: "stringer" | "ribbon"): void }) {
	const [open, setOpen] = useState(false);
	const menu = useRef<HTMLDivElement>(null);
	const parts = useParts();
	const design = useDraft((draft) => draft.design);
	const opened = useDraft((draft) => draft.opened);
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const firing = opened === undefined ? Math.max(0, ...parts.map((part) => part.firing)) : 0;

	useEffect(() => {
		const show = () => setOpen(true);
		addEventListener("zephyr-add-part", show);
		return () => removeEventListener("zephyr-add-part", show);
	}, []);
	useEffect(() => {
		if (!open) return;
		menu.current?.querySelector<HTMLElement>("[data-menu] button")?.focus();
		const leave = (event: KeyboardEvent | PointerEvent) => {
			if (event instanceof KeyboardEvent ? event.key === "Escape" : !menu.current?.contains(event.target as Node))
				setOpen(false);
		};
		addEventListener("keydown", leave);
		addEventListener("pointerdown", leave);
		return () => {
			removeEventListener("keydown", leave);
			removeEventListener("pointerdown", leave);
		};
	}, [open]);

	const add = (what: NewPart) => {
		setOpen(false);
		const part = newPart(what, parts, glasses, firing);
		if (!part) return;
		editParts((all) => [...all, part]);
		choose([part.id]);
	};
	const placeComponent = (componentId: string, name: string, madeIn: number) => {
		setOpen(false);
		const id = crypto.randomUUID().slice(0, 8);
		const layer = Math.max(0, ...parts.map((part) => part.layer)) + 1;
		const part = {
			id,
			name,
			kind: "component" as const,
			componentId,
			layer,
			firing: Math.max(firing, madeIn + 1),
			xMm: 0,
			yMm: 0,
			turnDeg: 0,
		};
		editParts((all) => [...all, part]);
		choose([id]);
	};

	return (
		<div className="relative p-3" ref={menu}>
			<button
				type="button"
				className="btn btn-primary w-full"
				aria-expanded={open}
				aria-keyshortcuts="a"
				disabled={parts.length >= LARGEST_KIT.parts}
				onClick={() => setOpen(!open)}
			>
				<Plus size={18} aria-hidden="true" /> Lay a part <kbd className="kbd kbd-sm bg-transparent text-current">A</kbd>
			</button>
			{open && (
				<div
					data-menu
					className="absolute top-full left-3 z-30 max-h-[64vh] w-[38rem] overflow-y-auto rounded border border-line bg-base-100 p-3 shadow-lg max-lg:w-[90vw]"
				>
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
							<button
								key={form}
								type="button"
								className="btn btn-sm"
								onClick={() => {
									setOpen(false);
									onLine(form);
								}}
							>
								Draw a {form} point by point
							</button>
						))}
					</section>
					{opened === undefined && design.components.length > 0 && (
						<section
							aria-label="Components of this kit"
							className="flex flex-wrap items-center gap-2 border-t border-line pt-2"
						>
							<h2>Made before</h2>
							{design.components.map(({ id, name, firing: madeIn }) => (
								<button key={id} type="button" className="btn btn-sm" onClick={() => placeComponent(id, name, madeIn)}>
									{name}
								</button>
							))}
						</section>
					)}
				</div>
			)}
		</div>
	);
}

function AddButton({ what, glasses, onAdd }: { what: NewPart; glasses: readonly Glass[]; onAdd(): void }) {
	const part = newPart(what, [], glasses, 0);
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
		<button
			type="button"
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
		</button>
	);
}
