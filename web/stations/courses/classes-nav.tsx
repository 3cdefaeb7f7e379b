import type { ReactNode } from "react";

const PAGES = [
	["/classes", "Calendar"],
	["/students", "Students"],
] as const;

/** What belongs to classes: the calendar and who comes. */
export function ClassesNav({ here, children }: { here: string; children?: ReactNode }) {
	return (
		<nav aria-label="Classes" className="flex min-h-11 items-center gap-5 border-b border-line px-5">
			{PAGES.map(([href, word]) => (
				<a
					key={href}
					href={href}
					aria-current={here === href ? "page" : undefined}
					className={`flex h-11 items-center border-b-3 ${here === href ? "border-secondary font-bold text-secondary" : "border-transparent text-soft hover:text-base-content"}`}
				>
					{word}
				</a>
			))}
			<span className="ml-auto flex items-center gap-2 py-1">{children}</span>
		</nav>
	);
}
