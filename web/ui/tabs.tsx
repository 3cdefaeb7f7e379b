/** Words in a row, one of them open; `small` within a panel. */
export function Tabs<T extends string>(props: {
	label: string;
	tabs: readonly { value: T; label: React.ReactNode }[];
	open: T;
	onOpen(tab: T): void;
	className?: string;
	small?: boolean;
}) {
	const { label, tabs, open, onOpen, className = "", small = false } = props;
	const size = small ? "min-h-9 border-b-2 text-[13.5px]" : "min-h-11 border-b-[3px]";
	const isOpen = "border-secondary font-bold text-secondary";
	const isShut = "border-transparent text-soft hover:text-base-content";
	return (
		<div role="tablist" aria-label={label} className={`flex ${className}`}>
			{tabs.map(({ value, label: words }) => (
				<button
					key={value}
					type="button"
					role="tab"
					aria-selected={value === open}
					className={`-mb-px px-0.5 ${size} ${value === open ? isOpen : isShut}`}
					onClick={() => onOpen(value)}
				>
					{words}
				</button>
			))}
		</div>
	);
}
