import { useRef } from "react";

/** How far each key goes along a row of tabs. */
const KEYS: Record<string, (at: number, count: number) => number> = {
	ArrowRight: (at, count) => (at + 1) % count,
	ArrowLeft: (at, count) => (at - 1 + count) % count,
	Home: () => 0,
	End: (_, count) => count - 1,
};

/** Words in a row, one of them open; arrow keys go from one to the next. `small` within a panel. */
export function Tabs<T extends string>(props: {
	label: string;
	tabs: readonly { value: T; label: React.ReactNode }[];
	open: T;
	onOpen(tab: T): void;
	className?: string;
	small?: boolean;
}) {
	const { label, tabs, open, onOpen, className = "", small = false } = props;
	const row = useRef<HTMLDivElement>(null);
	const size = small ? "min-h-9 border-b-2 text-[13.5px]" : "min-h-11 border-b-[3px]";
	const isOpen = "border-secondary font-bold text-secondary";
	const isShut = "border-transparent text-soft hover:text-base-content";
	const onKeyDown = (event: React.KeyboardEvent, at: number) => {
		const next = KEYS[event.key]?.(at, tabs.length);
		const tab = next === undefined ? undefined : tabs[next];
		if (!tab || next === undefined) return;
		event.preventDefault();
		onOpen(tab.value);
		(row.current?.children[next] as HTMLElement | undefined)?.focus();
	};
	return (
		<div role="tablist" aria-label={label} className={`flex ${className}`} ref={row}>
			{tabs.map(({ value, label: words }, i) => (
				<button
					key={value}
					type="button"
					role="tab"
					aria-selected={value === open}
					tabIndex={value === open ? 0 : -1}
					className={`-mb-px px-0.5 ${size} ${value === open ? isOpen : isShut}`}
					onClick={() => onOpen(value)}
					onKeyDown={(event) => onKeyDown(event, i)}
				>
					{words}
				</button>
			))}
		</div>
	);
}
