import { useState } from "react";
import { framed, type StationProps } from "../../ui/frame/framed";
import { Tabs } from "../../ui/tabs";
import { FamilyBook } from "./family-book";
import { GlassShelf } from "./glass-shelf";
import { MouldBook } from "./mould-book";
import { SampleBook } from "./sample-book";

const TABS = { glass: "Glass", families: "Families", moulds: "Moulds and frames", samples: "Samples" } as const;
type Tab = keyof typeof TABS;

export default framed("books", null, Books);

/** What the studio has and knows: its glass, the families, moulds, and what was tried. */
function Books(props: StationProps<"books">) {
	const asked = props.params.tab as Tab;
	const [tab, setTab] = useState<Tab>(asked in TABS ? asked : "glass");
	const counts: Record<Tab, number> = {
		glass: props.view.glasses.length,
		families: props.view.families.length,
		moulds: props.view.moulds.length,
		samples: props.view.samples.length,
	};
	const open = (next: Tab) => {
		setTab(next);
		history.replaceState(null, "", `?tab=${next}`);
	};
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-end gap-6 border-b border-line px-6 pt-3">
				<h1 className="pb-2">Books</h1>
				<Tabs
					label="Books"
					className="gap-5"
					tabs={(Object.keys(TABS) as Tab[]).map((value) => ({
						value,
						label: (
							<>
								{TABS[value]} <span className="figure font-normal">{counts[value]}</span>
							</>
						),
					}))}
					open={tab}
					onOpen={open}
				/>
				<a className="ml-auto flex min-h-11 items-center text-soft hover:text-base-content" href="/fire/kilns">
					Kilns and their record
				</a>
			</div>
			<div className="min-h-0 grow">
				{tab === "glass" && <GlassShelf {...props} />}
				{tab === "families" && <FamilyBook {...props} />}
				{tab === "moulds" && <MouldBook {...props} />}
				{tab === "samples" && <SampleBook {...props} />}
			</div>
		</div>
	);
}
