import type { ReactNode } from "react";

interface Props {
	label: string;
	places: readonly { href: string; label: string }[];
	/** The table that lies open; another address where none of them does. */
	here: string;
	children?: ReactNode;
}

/** The tables of one station in a row, and at its end what belongs to the open one. */
export function StationNav({ label, places, here, children }: Props) {
	return (
		<div className="no-print flex shrink-0 items-end gap-5 border-b border-line px-5">
			<nav aria-label={label} className="flex gap-5">
				{places.map((place) => (
					<a
						key={place.href}
						href={place.href}
						aria-current={place.href === here ? "page" : undefined}
						className={`-mb-px flex min-h-11 items-center border-b-[3px] whitespace-nowrap ${place.href === here ? "border-secondary font-bold text-secondary" : "border-transparent text-soft hover:text-base-content"}`}
					>
						{place.label}
					</a>
				))}
			</nav>
			<div className="ml-auto flex items-center gap-2 pb-1.5">{children}</div>
		</div>
	);
}
