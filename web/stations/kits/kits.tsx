import type { ListedKit } from "@contract/kits";
import type { Views } from "@contract/views";
import { byId } from "@core/by-id";
import { shortDay } from "@formats/time";
import { MoreHorizontal } from "lucide-react";
import { useMemo, useState } from "react";
import { Empty } from "../../forms/notice";
import { help } from "../../help/kits";
import { beginKitFrom } from "../../lib/begin-kit";
import { useFigure, usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { KitPlan } from "../../ui/kit-plan";
import { PutAway, useAway } from "../../ui/put-away";
import { LevelGlyph, StackBar } from "../../ui/signs";
import { KitImport } from "./kit-import";
import { EVERYTHING, sifted } from "./sift";
import { SiftBar } from "./sift-bar";

/** The shelf of kits: picture to scale, stack, route. */
export default framed("kits", "kits", help, Kits);

function Kits({ view, frame }: StationProps<"kits">) {
	const [sift, setSift] = useState(EVERYTHING);
	const [open, setOpen] = useState("");
	const { listed, toggle } = useAway(view.kits);
	const glasses = useMemo(() => byId(view.glasses), [view.glasses]);
	const shown = sifted(listed, sift, glasses);
	const mayEdit = frame.person.role === "instructor";
	return (
		<div className="scroll-y h-full px-6 py-4">
			<div className="mb-3 flex items-center justify-between">
				<h1>Kits</h1>
				<div className="flex items-center gap-2">
					{toggle}
					{mayEdit && (
						<>
							<KitImport />
							<button
								type="button"
								className="btn btn-primary"
								onClick={() => location.assign(`/kits/${crypto.randomUUID()}`)}
							>
								Lay out a new kit
							</button>
						</>
					)}
				</div>
			</div>
			{view.kits.length > 0 && <SiftBar kits={listed} families={view.families} sift={sift} onSift={setSift} />}
			{view.kits.length === 0 && (
				<Empty title="No kit yet">
					Lay out a first one, for example a 100 mm clear square with nine patches on it.
				</Empty>
			)}
			{listed.length > 0 && shown.length === 0 && (
				<Empty title="No kit is like that">
					<button type="button" className="btn btn-sm" onClick={() => setSift({ ...EVERYTHING, order: sift.order })}>
						Show all {listed.length}
					</button>
				</Empty>
			)}
			<ul className="ruled">
				{shown.map((kit) => (
					<li key={kit.id}>
						<div className="flex items-center gap-1">
							<KitRow kit={kit} glasses={view.glasses} />
							{mayEdit && (
								<button
									type="button"
									className="btn btn-ghost btn-sm btn-square max-lg:h-11 max-lg:w-11"
									aria-label={`More about ${kit.document.name}`}
									aria-expanded={open === kit.id}
									onClick={() => setOpen(open === kit.id ? "" : kit.id)}
								>
									<MoreHorizontal size={18} aria-hidden="true" />
								</button>
							)}
						</div>
						{open === kit.id && (
							<div className="ml-auto flex max-w-md flex-col gap-3 pb-4">
								<button
									type="button"
									className="btn btn-sm self-start max-lg:h-11"
									onClick={() => beginKitFrom({ ...kit.document, name: `${kit.document.name}, another`.slice(0, 80) })}
								>
									Begin another kit from this one
								</button>
								<PutAway
									what="kit"
									id={kit.id}
									name={kit.document.name}
									retired={kit.retired}
									onStruck={() => setOpen("")}
								/>
							</div>
						)}
					</li>
				))}
			</ul>
		</div>
	);
}

function KitRow({ kit, glasses }: { kit: ListedKit; glasses: Views["kits"]["glasses"] }) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const { reading, document: design } = kit;
	const stack = reading.columnGlassIds.map((id, i) => {
		const glass = glasses.find((one) => one.id === id);
		return { colour: glass?.firedColour ?? "#cccccc", mm: reading.columnMm?.[i] ?? glass?.thicknessMm ?? 3 };
	});
	const worst = reading.findings[0]?.severity;
	return (
		<a
			href={`/kits/${kit.id}`}
			className="grid min-w-0 grow grid-cols-[136px_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_4.5rem_6.5rem] items-center gap-6 py-3 hover:bg-pick max-lg:grid-cols-[110px_minmax(0,1fr)_minmax(0,1fr)]"
		>
			<KitPlan design={design} glasses={glasses} className="h-30 w-full" />
			<div className="min-w-0">
				<p className="truncate text-xl font-bold">{design.name}</p>
				<p className="text-soft">
					{design.parts.length} parts, {figure({ mm: reading.widthMm })} × {figure({ mm: reading.heightMm })}
				</p>
				<p className="mt-1 truncate text-soft">{design.note}</p>
			</div>
			<div className="flex items-center gap-3">
				<StackBar stack={stack} width={40} />
				<div>
					<p className="figure font-semibold">{reading.stackCode}</p>
					<p className="figure text-soft">{figure({ g: reading.massG })} of glass</p>
				</div>
			</div>
			<ol className="max-lg:hidden">
				{design.route.map((step, i) => (
					<li key={i} className="flex items-center gap-2">
						<LevelGlyph level={step.level} />
						<span className="truncate text-soft">{step.handWork && `then ${step.handWork}`}</span>
					</li>
				))}
			</ol>
			<div className="text-right max-lg:hidden">
				<p className="figure text-xl font-bold">{kit.hours === null ? "–" : `${Math.round(kit.hours)} h`}</p>
				<p className="text-soft">to fire</p>
			</div>
			<div className="text-right max-lg:hidden">
				<p className="figure text-xl font-bold">{kit.issued}</p>
				<p className="text-soft">
					issued{worst === "stop" ? ", stopped" : ""}
					<span className="block">{kit.retired ? "put away" : shortDay(new Date(kit.usedAt), timeZone)}</span>
				</p>
			</div>
		</a>
	);
}
