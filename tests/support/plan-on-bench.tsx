import { byId } from "@core/by-id";
import { drawnParts } from "@core/kit/drawn";
import { useMemo } from "react";
import { useDraft } from "../../web/stations/kits/draft";
import { PlanEditor } from "../../web/stations/kits/plan/plan-editor";
import { GLASSES } from "./kit";

const glassById = byId(GLASSES);

/** The plan of the kit on the bench, to be pressed and dragged in a browser. */
export function PlanOnBench() {
	const design = useDraft(({ document }) => document);
	const drawn = useMemo(() => drawnParts(design, glassById), [design]);
	return (
		<PlanEditor
			drawn={drawn}
			survey={undefined}
			show={{ fired: true, thickness: false, stress: false, after: true, joints: false }}
			cut={undefined}
			onCut={() => {}}
			looked={undefined}
			mayEdit
			mode={{ kind: "parts" }}
			onMode={() => {}}
		/>
	);
}
