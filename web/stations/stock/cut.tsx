import { useState } from "react";
import { Empty } from "../../forms/notice";
import { help } from "../../help/cut";
import { framed, type StationProps } from "../../ui/frame/framed";
import { NoClass } from "../../ui/session-picker";
import { CutCautions } from "./cut-cautions";
import { CutTabs, pathOf } from "./cut-tabs";
import { OldKits } from "./old-kits";
import { PartsList } from "./parts-list";
import { PlanForm } from "./plan-form";
import { Sheets } from "./sheets";
import { ThreadList } from "./thread-list";
import { TogetherPicker } from "./together-picker";

export default framed("cut", "cut", help, Cut);

/** A class's list as sheets with their scores in order; beside it what is to do now. Or part by part. */
function Cut({ view, frame, params }: StationProps<"cut">) {
	const { session, runs } = view;
	const [tab, setTab] = useState<"sheets" | "parts">(params.show === "parts" ? "parts" : "sheets");
	if (!session) return <NoClass title="No class to cut for" />;
	const left = runs
		.flatMap(({ lines }) => lines)
		.reduce((sum, line) => sum + Math.max(0, line.needed + line.spares - line.done), 0);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-center justify-between gap-4 border-b border-line px-5 max-lg:flex-wrap max-lg:gap-y-0">
				<span className="flex items-center gap-6 max-lg:flex-wrap max-lg:gap-y-1">
					<CutTabs
						open={tab}
						sessionId={session.id}
						here={{ sheets: () => setTab("sheets"), parts: () => setTab("parts") }}
					/>
					<TogetherPicker view={view} session={session} path={pathOf("sheets", undefined)} />
				</span>
				<p className="text-right whitespace-nowrap">
					<b className="figure text-2xl">{left}</b>{" "}
					<span className="text-soft">{left === 1 ? "cut" : "cuts"} to do</span>
				</p>
			</div>
			{tab === "parts" || runs.length === 0 ? (
				<Parts view={view} sessionId={session.id} frame={frame} />
			) : (
				<Sheets view={view} usual={frame.customs.sheet} />
			)}
		</div>
	);
}

function Parts({
	view,
	sessionId,
	frame,
}: {
	view: StationProps<"cut">["view"];
	sessionId: string;
	frame: StationProps<"cut">["frame"];
}) {
	const { spares } = frame.customs;
	return (
		<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_300px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Parts" className="scroll-y px-6 pb-4">
				{view.runs.length === 0 && (
					<Empty title="Nothing planned for this class">
						Choose a kit on the right and say how many: the list counts parts and spares for you.
					</Empty>
				)}
				<OldKits runs={view.runs} />
				<PartsList runs={view.runs} glasses={view.glasses} />
				<ThreadList view={view} />
			</section>
			<section aria-label="Plan" className="scroll-y border-l border-line px-5 py-4">
				<PlanForm key={sessionId} view={view} sessionId={sessionId} />
				<div className="mt-6 flex flex-col gap-2">
					<p className="text-soft">
						Spares: {Math.round(spares.share * 100)} % more, at least {spares.least} of each small cut.{" "}
						<a className="underline" href="/settings">
							Settings
						</a>
					</p>
					<CutCautions />
				</div>
			</section>
		</div>
	);
}
