import { Redo2, Undo2 } from "lucide-react";
import { useKeys } from "../../lib/use-keys";
import type { Steps } from "./draft";

/** Undo and redo of the document on the bench, by button and by key. */
export function History({ done, undone, undo, redo }: Steps) {
	useKeys({ "ctrl+z": undo, "ctrl+shift+z": redo, "ctrl+y": redo });
	const button = (word: string, keys: string, steps: number, onPress: () => void, icon: React.ReactNode) => (
		<button
			type="button"
			className="btn btn-sm join-item w-10 px-0 max-lg:h-11 max-lg:w-11"
			aria-label={`${word}, ${steps} steps`}
			title={`${word} (${keys})`}
			disabled={steps === 0}
			onClick={onPress}
		>
			{icon}
		</button>
	);
	return (
		<div className="join" role="group" aria-label="Undo and redo">
			{button("Undo", "Ctrl+Z", done, undo, <Undo2 size={17} aria-hidden="true" />)}
			{button("Redo", "Ctrl+Shift+Z", undone, redo, <Redo2 size={17} aria-hidden="true" />)}
		</div>
	);
}
