import { byId } from "@core/by-id";
import type { Glass } from "@core/glass/glass";
import { type KitPart, LARGEST_KIT } from "@core/kit/kit";
import { leaveFree } from "@core/kit/leave-free";
import { makeComponent } from "@core/kit/make-component";
import { ArrowDown, ArrowUp, ClipboardCopy, Copy, RotateCw, Trash2 } from "lucide-react";
import { useState } from "react";
import { Tabs } from "../../../ui/tabs";
import type { Commands } from "../commands";
import { newId, useChosen, useDraft } from "../draft";
import type { PlanMode } from "../plan/use-plan-drag";
import { ArrangeForm } from "./arrange-form";
import { GlassChoice, PartForm } from "./part-form";
import { SpreadForm } from "./spread-form";

interface Props {
	glasses: readonly Glass[];
	commands: Commands;
	mode: PlanMode;
	onMode(mode: PlanMode): void;
	errorAt(part: KitPart, field: string): string | undefined;
}

type Tab = "size" | "repeat" | "spread";
const TAB_WORDS: Record<Tab, string> = { size: "Size and place", repeat: "Repeat", spread: "Cut and spread" };

/** What can be done with the chosen parts. */
export function ChosenPanel({ glasses, commands, mode, onMode, errorAt }: Props) {
	const chosen = useChosen();
	const opened = useDraft((draft) => draft.opened);
	const editParts = useDraft((draft) => draft.editParts);
	const [tab, setTab] = useState<Tab>("size");
	const [first] = chosen;
	if (!first) return null;
	const single = chosen.length === 1;
	const tabs: Tab[] = single && first.kind === "sheet" ? ["size", "repeat", "spread"] : ["size", "repeat"];
	const shown = tabs.includes(tab) ? tab : "size";
	const change = (part: KitPart) =>
		editParts((parts) => parts.map((one) => (one.id === part.id ? part : one)), `form ${part.id}`);
	return (
		<section
			aria-label="Chosen parts"
			className="flex max-h-[58%] min-h-0 shrink-0 flex-col border-t-2 border-secondary bg-base-100"
		>
			<div className="flex items-center gap-0.5 pt-2 pr-2 pl-3">
				<b className="figure grow whitespace-nowrap">{single ? "1 part" : `${chosen.length} parts`}</b>
				<Icon label="Twice (Ctrl+D)" onClick={commands.duplicate} of={Copy} />
				<Icon label="Copy for another kit (Ctrl+C)" onClick={commands.copy} of={ClipboardCopy} />
				<Icon label="A layer up (])" onClick={() => commands.raise(1)} of={ArrowUp} />
				<Icon label="A layer down ([)" onClick={() => commands.raise(-1)} of={ArrowDown} />
				<Icon label="Turn by 15° (R)" onClick={() => commands.turn(15)} of={RotateCw} />
				<Icon label="Take away (Delete)" onClick={commands.remove} of={Trash2} />
			</div>
			<Tabs<Tab>
				small
				label="What to change"
				className="gap-4 border-b border-line px-3"
				tabs={tabs.map((value) => ({ value, label: TAB_WORDS[value] }))}
				open={shown}
				onOpen={setTab}
			/>
			<div className="scroll-y min-h-0 px-3 py-3">
				{shown === "size" && single && (
					<PartForm
						key={first.id}
						part={first}
						glasses={glasses}
						onChange={change}
						errorAt={(field) => errorAt(first, field)}
					/>
				)}
				{shown === "size" && !single && <SeveralForm chosen={chosen} glasses={glasses} commands={commands} />}
				{shown === "repeat" && <ArrangeForm glasses={byId(glasses)} />}
				{shown === "spread" && first.kind === "sheet" && (
					<SpreadForm key={first.id} part={first} mode={mode} onMode={onMode} />
				)}
				{shown === "size" && opened === undefined && <LeaveFree chosen={chosen} glasses={glasses} />}
				{shown === "size" && opened === undefined && <MakeComponent chosen={chosen} glasses={glasses} />}
			</div>
		</section>
	);
}

function Icon({ label, onClick, of: Shape }: { label: string; onClick(): void; of: typeof Copy }) {
	return (
		<button type="button" className="btn btn-ghost btn-sm w-8 px-0" aria-label={label} title={label} onClick={onClick}>
			<Shape size={16} aria-hidden="true" />
		</button>
	);
}

/** What several parts have in common: their glass, where they lie. */
function SeveralForm({
	chosen,
	glasses,
	commands,
}: {
	chosen: readonly KitPart[];
	glasses: readonly Glass[];
	commands: Commands;
}) {
	const editParts = useDraft((draft) => draft.editParts);
	const route = useDraft(({ document }) => document.route);
	const ids = new Set(chosen.map(({ id }) => id));
	const ofSheet = chosen.every(({ kind }) => kind === "sheet");
	const [first] = chosen;
	const each = (change: object, what: string) =>
		editParts((parts) => parts.map((part) => (ids.has(part.id) ? ({ ...part, ...change } as KitPart) : part)), what);
	return (
		<div className="flex flex-col gap-2">
			{ofSheet && first?.kind === "sheet" && (
				<GlassChoice
					label="Glass of all of them"
					glasses={glasses.filter(({ form }) => form === "sheet")}
					value={first.glassId}
					onChange={(glassId) => each({ glassId }, "glass")}
				/>
			)}
			<div className="flex flex-wrap gap-2">
				<button type="button" className="btn btn-sm" onClick={commands.middle}>
					Into the middle
				</button>
				{route.length > 1 &&
					route.map((step, i) => (
						<button key={i} type="button" className="btn btn-sm" onClick={() => each({ firing: i }, "firing")}>
							Lay for firing {i + 1}, {step.level}
						</button>
					))}
			</div>
		</div>
	);
}

/** Strewn glass is kept off what else is chosen. */
function LeaveFree({ chosen, glasses }: { chosen: readonly KitPart[]; glasses: readonly Glass[] }) {
	const edit = useDraft((draft) => draft.edit);
	const strewn = chosen.find(({ kind }) => kind === "grains");
	if (!strewn || chosen.length < 2) return null;
	const ids = chosen.map(({ id }) => id);
	return (
		<button
			type="button"
			className="btn btn-sm mt-3 h-auto w-full py-1.5"
			onClick={() => edit((design) => leaveFree(design, ids, byId(glasses), newId) ?? design)}
		>
			Strew round {chosen.length === 2 ? "the other one" : "the others"}, not over {chosen.length === 2 ? "it" : "them"}
		</button>
	);
}

/** Makes what is chosen a component: fired by itself first, then used as a part. */
function MakeComponent({ chosen, glasses }: { chosen: readonly KitPart[]; glasses: readonly Glass[] }) {
	const edit = useDraft((draft) => draft.edit);
	const choose = useDraft((draft) => draft.choose);
	const design = useDraft((draft) => draft.document);
	if (
		chosen.some(({ kind }) => kind === "component") ||
		design.components.length >= LARGEST_KIT.components ||
		design.route.length >= LARGEST_KIT.firings
	)
		return null;
	const make = () => {
		const made = makeComponent(
			design,
			chosen.map(({ id }) => id),
			byId(glasses),
			newId,
		);
		edit(() => made.design);
		choose([made.partId]);
	};
	return (
		<button type="button" className="btn btn-sm mt-3 h-auto w-full py-1.5" onClick={make}>
			Fire {chosen.length === 1 ? "it" : "them"} first, then use as a component
		</button>
	);
}
