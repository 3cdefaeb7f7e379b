import type { KitBrief } from "@contract/kits";
import type { Views } from "@contract/views";
import { Empty } from "../../forms/notice";
import { useFigure } from "../../lib/prefs";
import { framed } from "../../ui/frame/framed";
import { KitPlan } from "../../ui/kit-plan";
import { LevelGlyph, StackBar } from "../../ui/signs";
import { KitImport } from "./kit-import";

/** The shelf of kits: picture to scale, stack, route. */
export default framed("kits", "kits", ({ view, frame }) => (
	<div className="scroll-y h-full px-6 py-4">
		<div className="mb-3 flex items-center justify-between">
			<h1>Kits</h1>
			{frame.person.role === "instructor" && (
				<div className="flex items-center gap-2">
					<KitImport />
					<button
						type="button"
						className="btn btn-primary"
						onClick={() => location.assign(`/kits/${crypto.randomUUID()}`)}
					>
						Lay out a new kit
					</button>
				</div>
			)}
		</div>
		{view.kits.length === 0 && (
			<Empty title="No kit yet">Lay out a first one, for example a 100 mm clear square with nine patches on it.</Empty>
		)}
		<ul className="ruled">
			{view.kits.map((kit) => (
				<KitRow key={kit.id} kit={kit} glasses={view.glasses} />
			))}
		</ul>
	</div>
));

function KitRow({ kit, glasses }: { kit: KitBrief; glasses: Views["kits"]["glasses"] }) {
	const figure = useFigure();
	const { reading, document: design } = kit;
	const stack = reading.columnGlassIds.map((id, i) => {
		const glass = glasses.find((one) => one.id === id);
		return { colour: glass?.firedColour ?? "#cccccc", mm: reading.columnMm?.[i] ?? glass?.thicknessMm ?? 3 };
	});
	const worst = reading.findings[0]?.severity;
	return (
		<li>
			<a
				href={`/kits/${kit.id}`}
				className="grid grid-cols-[136px_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_5.5rem] items-center gap-6 py-3 hover:bg-pick max-lg:grid-cols-[110px_minmax(0,1fr)_minmax(0,1fr)]"
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
					<p className="figure text-2xl font-bold">{kit.issued}</p>
					<p className="text-soft">issued{worst === "stop" ? ", stopped" : ""}</p>
				</div>
			</a>
		</li>
	);
}
