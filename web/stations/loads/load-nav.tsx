import type { ReactNode } from "react";

const PLACES = [
	{ href: "/load", label: "Trays and shelf" },
	{ href: "/load/plan", label: "Two weeks" },
] as const;

/** The two tables of the load station. */
export function LoadNav({ here, children }: { here: (typeof PLACES)[number]["href"]; children?: ReactNode }) {
	return (
		<div className="no-print flex shrink-0 items-end gap-5 border-b border-line px-5">
			<nav aria-label="Load" className="flex gap-5">
				{PLACES.map(({ href, label }) => (
					<a
						key={href}
						href={href}
						aria-current={href === here ? "page" : undefined}
						className={`-mb-px flex min-h-11 items-center border-b-[3px] whitespace-nowrap ${href === here ? "border-secondary font-bold text-secondary" : "border-transparent text-soft hover:text-base-content"}`}
					>
						{label}
					</a>
				))}
			</nav>
			<div className="ml-auto flex items-center gap-2 pb-1.5">{children}</div>
		</div>
	);
}
