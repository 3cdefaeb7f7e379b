import { Popover, PopoverAnchor, PopoverProvider } from "@ariakit/react/popover";
import type { ReactNode } from "react";

/** What comes up beside the thing that was pressed, once there is something to say: Esc or a press elsewhere closes it. */
export default function Popup({ label, onClose, children }: { label: string; onClose(): void; children: ReactNode }) {
	return (
		<PopoverProvider open setOpen={(open) => !open && onClose()} placement="bottom-end">
			<PopoverAnchor className="absolute inset-0 -z-10" />
			<Popover gutter={8} aria-label={label} className="z-20 w-96 rounded border border-line bg-base-100 p-3 shadow-lg">
				{children}
			</Popover>
		</PopoverProvider>
	);
}
