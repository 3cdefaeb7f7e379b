import { TURN_STEP_DEG } from "@core/loading/outlines/form";
import { pinned, type ShelfDoc, takenOut, turned } from "@core/loading/shelf-doc";
import { ArrowLeftRight, ArrowUpDown, Pin, PinOff, RotateCcw, RotateCw, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Steps } from "../../../ui/kept/draft";
import { History } from "../../../ui/kept/history";

interface Props {
	doc: ShelfDoc;
	steps: Steps;
	chosen: string | null;
	edit(change: (doc: ShelfDoc) => ShelfDoc): void;
	isSwapping: boolean;
	onSwap(): void;
	onAgain(): void;
	isLaying: boolean;
	/** Where the chosen piece may go besides; in words. None: the kiln has one shelf. */
	other: { words: string; onGo(): void } | null;
}

/** What can be done with the chosen piece, and with the whole shelf. */
export function ShelfTools({ doc, steps, chosen, edit, isSwapping, onSwap, onAgain, isLaying, other }: Props) {
	const isPinned = chosen !== null && doc.pinnedIds.includes(chosen);
	const on = (change: (doc: ShelfDoc, id: string) => ShelfDoc) => () =>
		chosen && edit((before) => change(before, chosen));
	return (
		<div role="toolbar" aria-label="Shelf" className="flex items-center gap-1.5 max-lg:flex-wrap">
			<Tool label="Turn left" keys="R" disabled={!chosen} onClick={on((its, id) => turned(its, id, TURN_STEP_DEG))}>
				<RotateCcw size={17} aria-hidden="true" />
			</Tool>
			<Tool
				label="Turn right"
				keys="Shift R"
				disabled={!chosen}
				onClick={on((its, id) => turned(its, id, -TURN_STEP_DEG))}
			>
				<RotateCw size={17} aria-hidden="true" />
			</Tool>
			<Tool label={isPinned ? "Let it be moved" : "Pin it here"} keys="P" disabled={!chosen} onClick={on(pinned)}>
				{isPinned ? <PinOff size={17} aria-hidden="true" /> : <Pin size={17} aria-hidden="true" />}
			</Tool>
			<Tool label="Swap with another" disabled={!chosen} isOn={isSwapping} onClick={onSwap}>
				<ArrowLeftRight size={17} aria-hidden="true" />
			</Tool>
			{other && (
				<Tool label={`To the ${other.words}`} disabled={!chosen} onClick={other.onGo}>
					<ArrowUpDown size={17} aria-hidden="true" />
				</Tool>
			)}
			<Tool label="Take it out" keys="Delete" disabled={!chosen} onClick={on(takenOut)}>
				<Trash2 size={17} aria-hidden="true" />
			</Tool>
			<History {...steps} />
			<button type="button" className="btn btn-sm whitespace-nowrap max-lg:h-11" disabled={isLaying} onClick={onAgain}>
				{isLaying
					? "Laying …"
					: doc.pinnedIds.length > 0
						? `Lay again round ${doc.pinnedIds.length} pinned`
						: "Lay again"}
			</button>
		</div>
	);
}

function Tool(props: {
	label: string;
	keys?: string;
	disabled: boolean;
	isOn?: boolean;
	onClick(): void;
	children: ReactNode;
}) {
	const { label, keys, disabled, isOn = false, onClick, children } = props;
	return (
		<button
			type="button"
			className={`btn btn-square btn-sm max-lg:h-11 max-lg:w-11 ${isOn ? "btn-secondary" : ""}`}
			aria-label={label}
			aria-pressed={isOn}
			title={keys ? `${label} (${keys})` : label}
			disabled={disabled}
			onClick={onClick}
		>
			{children}
		</button>
	);
}
