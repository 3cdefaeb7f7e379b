import { Tabs } from "../../ui/tabs";

export const CUT_TABS = ["sheets", "parts", "bags", "buy", "stock"] as const;
export type CutTab = (typeof CUT_TABS)[number];

const WORDS: Record<CutTab, string> = {
	sheets: "Sheets",
	parts: "Parts",
	bags: "Bags",
	buy: "To buy",
	stock: "Stock",
};

/** Where each is, for a class. */
export const pathOf = (tab: CutTab, sessionId: string | undefined): string => {
	const of = sessionId ? `?session=${sessionId}` : "";
	if (tab === "stock") return "/cut/stock";
	if (tab === "bags" || tab === "buy") return `/cut/${tab}${of}`;
	return `/cut${of}${tab === "parts" ? `${of ? "&" : "?"}show=parts` : ""}`;
};

interface Props {
	open: CutTab;
	sessionId?: string | undefined;
	/** What opens without leaving the page; the others are pages of their own. */
	here?: Partial<Record<CutTab, () => void>>;
}

/** From the sheet to the bag: what belongs to cutting. */
export function CutTabs({ open, sessionId, here = {} }: Props) {
	return (
		<Tabs
			label="Cutting"
			className="gap-5"
			tabs={CUT_TABS.map((value) => ({ value, label: WORDS[value] }))}
			open={open}
			onOpen={(tab) => {
				const stay = here[tab];
				if (stay) stay();
				else if (tab !== open) location.assign(pathOf(tab, sessionId));
			}}
		/>
	);
}
