import type { ReactNode } from "react";
import type { StationProps } from "../../ui/frame/framed";
import { Tabs } from "../../ui/tabs";

const TABS = { glass: "Glass", families: "Families", moulds: "Moulds and frames", samples: "Samples" } as const;
export type Book = keyof typeof TABS;

/** What the studio has and knows, one book to a page: its glass, the families, moulds, and what was tried. */
export function BooksShell({
	view,
	book,
	children,
}: {
	view: StationProps<"books">["view"];
	book: Book;
	children: ReactNode;
}) {
	const counts: Record<Book, number> = {
		glass: view.glasses.length,
		families: view.families.length,
		moulds: view.moulds.length,
		samples: view.samples.length,
	};
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-end gap-6 border-b border-line px-6 pt-3">
				<h1 className="pb-2">Books</h1>
				<Tabs
					label="Books"
					className="gap-5"
					tabs={(Object.keys(TABS) as Book[]).map((value) => ({
						value,
						label: (
							<>
								{TABS[value]} <span className="figure font-normal">{counts[value]}</span>
							</>
						),
					}))}
					open={book}
					onOpen={(next) => next !== book && location.assign(`/books?tab=${next}`)}
				/>
				<a className="ml-auto flex min-h-11 items-center text-soft hover:text-base-content" href="/fire/kilns">
					Kilns and their record
				</a>
			</div>
			<div className="min-h-0 grow">{children}</div>
		</div>
	);
}
