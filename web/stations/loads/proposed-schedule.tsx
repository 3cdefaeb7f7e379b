import type { ProposalView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { clockNear } from "@formats/time";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { LazyImport } from "../../ui/lazy-import";
import { SegmentList } from "../../ui/segment-list";
import { CostLine, HouseHoursLines } from "../firings/house-hours";

/** The schedule that serves every piece of a load: when it may be opened, its curve, its segments and who sets each. */
export function ProposedSchedule({
	proposal,
	pieces,
	startMs = null,
}: {
	proposal: ProposalView;
	pieces: readonly PieceBrief[];
	/** When it is to be started; null: now. */
	startMs?: number | null;
}) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const openAt = startMs === null ? proposal.openAt : new Date(startMs + proposal.openS * 1000).toISOString();
	const dearest = Object.entries(proposal.costHours).sort(([, a], [, b]) => b - a)[0];
	const dearPiece = pieces.find(({ id }) => id === dearest?.[0]);
	return (
		<div className="flex flex-col gap-3">
			<p>
				<span className="text-soft">{startMs === null ? "Started now, open not before" : "Open not before"}</span>
				<b className="figure block text-3xl">{clockNear(openAt, new Date(nowMs), timeZone)}</b>
				<span className="figure block text-soft">
					{(proposal.openS / 3600).toFixed(1)} h, {proposal.kwh.toFixed(1)} kWh, flow index {proposal.flow.toFixed(2)}
				</span>
			</p>
			<CostLine cost={proposal.cost} />
			{startMs === null && <HouseHoursLines house={proposal.house} openAt={proposal.openAt} />}
			<FiringChart
				width={300}
				height={150}
				openS={proposal.openS}
				series={[
					{ name: "plan", points: proposal.plan, kind: "plan" },
					{ name: "kiln, simulated", points: proposal.air, kind: "simulated" },
				]}
				summary={`Schedule for ${proposal.places.length} pieces`}
			/>
			<SegmentList schedule={proposal.schedule} setBy={proposal.setBy} airMin={proposal.airMin} pieces={pieces} />
			{pieces.length > 1 && (
				<LazyImport
					label="What each piece needs"
					load={async () => (await import("./needs")).default}
					with={{ ...proposal, pieces }}
				/>
			)}
			{dearest && dearest[1] > 0.2 && dearPiece && pieces.length > 1 && (
				<p>
					Without <b className="figure">{dearPiece.code}</b> this load would be{" "}
					<b className="figure">{dearest[1].toFixed(1)} h</b> shorter.
				</p>
			)}
		</div>
	);
}
