import type { KitView } from "@contract/kits";
import type { Finding } from "@core/stack/finding";
import { useState } from "react";
import { SaveBar } from "../../../ui/kept/save-bar";
import { Tabs } from "../../../ui/tabs";
import { useDraft } from "../draft";
import type { useSaving } from "../use-saving";
import type { useSurvey } from "../use-survey";
import { FilePanel } from "./file-panel";
import { Halted, SlowReading } from "./halted";
import { PalettePanel } from "./palette-panel";
import { RoutePanel } from "./route-panel";
import { TellPanel } from "./tell-panel";
import { TryPanel } from "./try-panel";

const TABS = [
	{ value: "tells", label: "Tells" },
	{ value: "route", label: "Route" },
	{ value: "try", label: "Try" },
	{ value: "colours", label: "Colours" },
	{ value: "files", label: "Files" },
] as const;
type Tab = (typeof TABS)[number]["value"];
/** Tabs whose figures come from the reading. */
const TELLING: Tab[] = ["tells", "route", "try"];

interface Props {
	view: KitView;
	surveyed: ReturnType<typeof useSurvey>;
	saving: ReturnType<typeof useSaving>;
	mayEdit: boolean;
	/** Another firing is shown than the one that puts the kit together: what it tells is to look at, for its parts are not the plan’s. */
	elsewhere: boolean;
	stressShown: boolean;
	palette: string | undefined;
	onPalette(palette: string | undefined): void;
	onLook(finding: Finding | undefined): void;
}

/** Beside the plan: what it tells, its route, trials, colours and files, and saving. */
export function Panels(props: Props) {
	const { view, surveyed, saving, mayEdit, elsewhere, stressShown, palette, onPalette, onLook } = props;
	const { survey, tryOut, sound, reading: state } = surveyed;
	const opened = useDraft((draft) => draft.opened);
	const [tab, setTab] = useState<Tab>("tells");
	const reading = survey?.reading ?? view.kit.reading;
	const halted = TELLING.includes(tab) ? state.halted : undefined;
	return (
		<section aria-label="What it tells" className="flex min-h-0 flex-col border-l border-line max-lg:shrink-0">
			<Tabs<Tab>
				label="About this kit"
				className="justify-between border-b border-line px-4"
				tabs={TABS}
				open={tab}
				onOpen={setTab}
			/>
			{state.slow && <SlowReading stop={state.stop} />}
			<div className="scroll-y min-h-0 grow px-4 py-3">
				{halted && <Halted why={halted} again={state.again} />}
				{!halted && tab === "tells" && (
					<TellPanel
						view={view}
						reading={reading}
						survey={survey}
						design={sound}
						mayEdit={mayEdit && !elsewhere}
						stressShown={stressShown}
						onLook={onLook}
					/>
				)}
				{!halted && tab === "route" && (
					<RoutePanel view={view} survey={survey} mayEdit={mayEdit} errorAt={saving.errorAt} />
				)}
				{!halted && tab === "try" && (
					<TryPanel
						elsewhere={elsewhere}
						reading={reading}
						families={view.families}
						glasses={view.glasses}
						mayEdit={mayEdit && opened === undefined}
						tryOut={tryOut}
					/>
				)}
				{tab === "colours" && (
					<PalettePanel glasses={view.glasses} seen={palette} onSee={onPalette} mayEdit={mayEdit} />
				)}
				{tab === "files" && <FilePanel view={view} palette={palette} changed={saving.changed} mayEdit={mayEdit} />}
			</div>
			{mayEdit && (
				<div className="border-t border-line bg-base-100 px-4 py-3">
					<SaveBar kept={saving} words={{ keep: "Save this kit", kept: "Saved" }} obstacle={saving.obstacle} />
				</div>
			)}
		</section>
	);
}
