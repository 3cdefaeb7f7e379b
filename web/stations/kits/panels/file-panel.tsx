import type { KitView } from "@contract/kits";
import { PAPER_SIZES, PAPER_WORDS } from "@core/studio/customs";
import { counted } from "@core/units/counted";
import { dayAndClock } from "@formats/time";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Trouble } from "../../../forms/notice";
import { see, TroubleError } from "../../../lib/api";
import { beginKitFrom } from "../../../lib/begin-kit";
import { useHouse } from "../../../lib/house";
import { usePrefs } from "../../../lib/prefs";
import { newId, useDraft } from "../draft";
import { OutlineImport } from "../parts/outline-import";

interface Props {
	view: KitView;
	palette: string | undefined;
	changed: boolean;
	mayEdit: boolean;
}

const SHEETS = [
	{ file: "kit.json", label: "Kit file", hint: "JSON with a published schema, for another studio" },
	{ file: "kit.svg", label: "SVG 1:1", hint: "millimetres, one group a layer" },
	{ file: "kit.dxf", label: "DXF", hint: "outlines for a cutter, one layer a layer" },
] as const;

/** Versions that were issued, what goes out of the studio, what comes in. */
export function FilePanel({ view, palette, changed, mayEdit }: Props) {
	const { kit, versions, isNew } = view;
	const { timeZone } = usePrefs();
	const { customs } = useHouse();
	const query = palette ? `?palette=${encodeURIComponent(palette)}` : "";
	const paper = (name: string) =>
		`/api/kits/${kit.id}/kit.pdf?paper=${name}${palette ? `&palette=${encodeURIComponent(palette)}` : ""}`;
	return (
		<>
			<h2 className="mb-1">Out</h2>
			{isNew ? (
				<p className="text-soft">Save the kit first; then it can be printed and exported.</p>
			) : (
				<>
					{changed && <p className="mb-2 text-soft">Files hold what was saved last, not the changes since.</p>}
					<div className="flex flex-wrap gap-2">
						{[customs.paper, ...PAPER_SIZES.filter((size) => size !== customs.paper)].map((size) => (
							<a key={size} className="btn btn-sm" href={paper(size)}>
								Kit sheet, {PAPER_WORDS[size]}
							</a>
						))}
					</div>
					<ul className="mt-2">
						{SHEETS.map(({ file, label, hint }) => (
							<li key={file} className="flex items-center gap-2 py-0.5">
								<a className="btn btn-sm w-24" href={`/api/kits/${kit.id}/${file}${query}`}>
									{label}
								</a>
								<span className="text-[13px] text-soft">{hint}</span>
							</li>
						))}
					</ul>
				</>
			)}
			{mayEdit && (
				<>
					<h2 className="mt-5 mb-1">In</h2>
					<OutlineImport glasses={view.glasses} />
				</>
			)}
			<h2 className="mt-5 mb-1">Versions that were issued</h2>
			{versions.length === 0 && (
				<p className="text-soft">None yet. The first kit that is cut or issued freezes version 1.</p>
			)}
			<ul className="ruled">
				{versions.map(({ version, frozenAt, pieces, revision }) => (
					<li key={version} className="flex items-center gap-2 py-1.5">
						<span className="grow">
							<b className="figure">Version {version}</b>
							<span className="figure block text-[13px] text-soft">
								{dayAndClock(frozenAt, timeZone)}, {counted(pieces, "piece")}
							</span>
						</span>
						{revision === kit.revision ? (
							<span className="text-soft">this draft</span>
						) : (
							mayEdit && <BringBack kitId={kit.id} version={version} />
						)}
					</li>
				))}
			</ul>
			{mayEdit && !isNew && <CopyKit />}
		</>
	);
}

/** Lays an issued version on the bench again; one step that can be undone. */
function BringBack({ kitId, version }: { kitId: string; version: number }) {
	const edit = useDraft((draft) => draft.edit);
	const open = useDraft((draft) => draft.open);
	const queries = useQueryClient();
	const [error, setError] = useState<TroubleError | null>(null);
	const bring = async () => {
		try {
			const params = { id: kitId, version: String(version) };
			const frozen = await queries.fetchQuery({
				queryKey: ["kitVersion", params],
				queryFn: () => see("kitVersion", params),
			});
			open(undefined);
			edit(() => frozen.document);
			setError(null);
		} catch (trouble) {
			setError(trouble instanceof TroubleError ? trouble : null);
		}
	};
	return (
		<>
			<button type="button" className="btn btn-sm" onClick={bring}>
				Bring back
			</button>
			<Trouble error={error} />
		</>
	);
}

/** A new kit that starts as this one. */
function CopyKit() {
	const design = useDraft((draft) => draft.document);
	const copy = () => beginKitFrom({ ...design, name: `${design.name}, copy ${newId().slice(0, 2)}` });
	return (
		<button type="button" className="btn btn-sm mt-4 w-full" onClick={copy}>
			Lay out a new kit like this one
		</button>
	);
}
