import type { Blank, SheetPlan } from "@core/cutting/plan/types";
import { saveFile } from "../../lib/save-file";

interface Props {
	plan: SheetPlan;
	blanks: readonly Blank[];
	title: string;
	kerfMm: number;
	/** Of the plan that is kept: it can be printed. */
	planId: string | undefined;
	sheet: number;
}

/** The sheet's scores 1:1 for a saw, a plotter or a printer; what writes them is loaded at the press. */
export function CutFiles({ planId, sheet: index, ...sheet }: Props) {
	const name = sheet.title.toLowerCase().replaceAll(/[^a-z0-9]+/g, "-");
	const formats = () => import("@formats/cut-file");
	return (
		<p className="flex shrink-0 items-center gap-1 text-soft">
			<span className="mr-1">1:1</span>
			<button
				type="button"
				className="btn btn-sm px-2 max-lg:h-11"
				onClick={() => void formats().then(({ cutSvg }) => saveFile(cutSvg(sheet), `${name}.svg`, "image/svg+xml"))}
			>
				SVG
			</button>
			<button
				type="button"
				className="btn btn-sm px-2 max-lg:h-11"
				onClick={() => void formats().then(({ cutDxf }) => saveFile(cutDxf(sheet), `${name}.dxf`, "image/vnd.dxf"))}
			>
				DXF
			</button>
			{planId && (
				<>
					<a className="btn btn-sm px-2 max-lg:h-11" href={`/api/cut/${planId}/${index}.pdf?scale=full`} download>
						PDF
					</a>
					<a className="btn btn-sm px-2 max-lg:h-11" href={`/api/cut/${planId}/${index}.pdf`} download>
						to fit a page
					</a>
				</>
			)}
		</p>
	);
}
