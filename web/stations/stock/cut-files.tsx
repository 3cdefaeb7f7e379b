import type { Blank, SheetPlan } from "@core/cutting/plan/types";
import { saveFile } from "../../lib/save-file";

/** The sheet's scores 1:1 for a saw, a plotter or a printer; what writes them is loaded at the press. */
export function CutFiles(sheet: { plan: SheetPlan; blanks: readonly Blank[]; title: string }) {
	const name = sheet.title.toLowerCase().replaceAll(/[^a-z0-9]+/g, "-");
	const formats = () => import("@formats/cut-file");
	return (
		<p className="flex items-center gap-2 text-soft">
			Scores 1:1
			<button
				type="button"
				className="btn btn-sm max-lg:h-11"
				onClick={() => void formats().then(({ cutSvg }) => saveFile(cutSvg(sheet), `${name}.svg`, "image/svg+xml"))}
			>
				SVG
			</button>
			<button
				type="button"
				className="btn btn-sm max-lg:h-11"
				onClick={() => void formats().then(({ cutDxf }) => saveFile(cutDxf(sheet), `${name}.dxf`, "image/vnd.dxf"))}
			>
				DXF
			</button>
		</p>
	);
}
