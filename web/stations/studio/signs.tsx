import { FUSE_LEVELS } from "@core/firing/level";
import { type ReactNode, useState } from "react";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Caution, Empty, Trouble } from "../../forms/notice";
import { help } from "../../help/signs";
import { TroubleError } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { FindingsList } from "../../ui/findings-list";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { framed } from "../../ui/frame/framed";
import { KilnStrip } from "../../ui/frame/kiln-strip";
import { PieceTag } from "../../ui/piece-tag";
import { SegmentList } from "../../ui/segment-list";
import { lying, ShelfMap } from "../../ui/shelf-map";
import { Glow, LevelGlyph, PromiseMark, SeverityMark, StackBar, SwatchPair } from "../../ui/signs";
import { findings, kilns, picture, pieces, plan, schedule } from "./samples";

/** For developers: every piece of the frame in every state, in both themes. Not in the rail. */
export default framed("kits", null, help, () => (
	<div className="grid h-full grid-cols-2 max-lg:grid-cols-1">
		{(["workshop", "kilnroom"] as const).map((theme) => (
			<div key={theme} data-theme={theme} className="scroll-y h-full bg-base-200 px-5 py-4 text-base-content">
				<h1>Signs, {theme}</h1>
				<Signs />
			</div>
		))}
	</div>
));

function Show({ name, children }: { name: string; children: ReactNode }) {
	return (
		<section className="border-t border-line py-3">
			<h2 className="mb-2">{name}</h2>
			{children}
		</section>
	);
}

function Signs() {
	const figure = useFigure();
	return (
		<>
			<Show name="Fuse levels">
				<div className="flex flex-wrap gap-x-6 gap-y-2">
					{FUSE_LEVELS.map((level) => (
						<LevelGlyph key={level} level={level} />
					))}
				</div>
			</Show>
			<Show name="Severity and promise">
				<div className="flex flex-wrap gap-6">
					{(["stop", "fix", "know"] as const).map((severity) => (
						<SeverityMark key={severity} severity={severity} />
					))}
					{(["late", "atRisk", "ok", "kept"] as const).map((state) => (
						<PromiseMark key={state} state={state} />
					))}
				</div>
			</Show>
			<Show name="Stack bars and swatch pairs">
				<div className="flex items-end gap-4">
					{pieces.map(({ code, stack }) => (
						<StackBar key={code} stack={stack} />
					))}
					<SwatchPair bought="#d9bfae" fired="#b0512b" label="pump rust" />
					<SwatchPair bought="#4c5f86" fired="#4c5f86" label="dusk" />
				</div>
			</Show>
			<Show name="Piece tags: usual, long name, nobody’s">
				<div className="ruled">
					{pieces.map((piece) => (
						<PieceTag key={piece.code} piece={piece} link={false} />
					))}
				</div>
			</Show>
			<Show name="Findings">
				<FindingsList findings={findings} />
				<FindingsList findings={[]} />
			</Show>
			<Show name="Fields">
				<Fields />
			</Show>
			<Show name="Buttons">
				<div className="flex flex-wrap gap-2">
					{["", "btn-primary", "btn-secondary", "btn-ghost", "btn-sm"].map((kind) => (
						<button key={kind} type="button" className={`btn ${kind}`}>
							{kind.replace("btn-", "") || "usual"}
						</button>
					))}
					<button type="button" className="btn" disabled>
						not now
					</button>
				</div>
			</Show>
			<Show name="Notices">
				<Trouble
					error={
						new TroubleError(409, [
							{
								path: [],
								sentence: [
									"K7DHM was handed in while you were working on it. Look at it again; what you typed is still here.",
								],
							},
						])
					}
				/>
				<div className="mt-2">
					<Caution>Hot glass does not look hot.</Caution>
				</div>
				<Empty title="Nothing is wet">
					Pieces come here from the bench and leave by themselves when the glue has set.
				</Empty>
			</Show>
			<Show name="Shelf map: chosen, done, none">
				<ShelfMap
					shelf={{ widthMm: 380, heightMm: 240, marginMm: 12, shape: "rectangle" }}
					clearanceMm={5}
					doorSide="front"
					pieces={pieces.flatMap((piece, i) =>
						lying(
							piece,
							{
								...{ id: piece.id, xMm: 69 + i * 110, yMm: 69 + i * 20, widthMm: 98, heightMm: 98 },
								...{ turnDeg: i * 15, shelf: 0, outline: null },
							},
							{ k: picture },
							(["chosen", "done", undefined] as const)[i],
						),
					)}
					className="max-h-72"
				/>
			</Show>
			<Show name="Schedule curve and segments">
				<FiringChart
					width={560}
					height={240}
					nowS={12_000}
					openS={62_000}
					series={[
						{ name: "plan", points: plan, kind: "plan" },
						{ name: "simulated", points: plan.map(({ s, c }) => ({ s: s * 1.04, c })), kind: "simulated" },
						{ name: "measured", points: plan.slice(0, 4), kind: "measured" },
					]}
					summary="A made-up firing"
				/>
				<SegmentList
					schedule={schedule}
					setBy={{ firstRamp: ["K7DHM"], air: ["K7DHM", "P3XRC"], soak: pieces.map(({ id }) => id), cool: ["P3XRC"] }}
					airMin={30}
					pieces={pieces}
				/>
			</Show>
			<Show name="Kiln cells">
				<div className="flex flex-col gap-2">
					{kilns.map((row) => (
						<KilnStrip key={row[0]?.id} kilns={row} heardAtMs={0} />
					))}
				</div>
			</Show>
			<Show name={`Glow, ${figure({ c: 450 })} to ${figure({ c: 1000 })}`}>
				<div className="flex">
					{Array.from({ length: 12 }, (_, i) => (
						<Glow key={i} c={450 + i * 50} className="h-8 grow" />
					))}
				</div>
			</Show>
		</>
	);
}

function Fields() {
	const figure = useFigure();
	const [mm, setMm] = useState<number | null>(63.5);
	const [c, setC] = useState<number | null>(804);
	const [text, setText] = useState("Silo roof tile");
	const [choice, setChoice] = useState<"a" | "b">("a");
	return (
		<div className="grid grid-cols-2 gap-3" data-unit-choice="">
			<NumberField kind="length" label="Length" value={mm} onChange={setMm} hint="Try 2 1/2 in or 6.4 cm" />
			<NumberField kind="temperature" label="Temperature" value={c} onChange={setC} hint="Try 1480F" />
			<NumberField
				kind="length"
				label="With an error"
				value={-3}
				onChange={() => {}}
				error={`Width must be at least ${figure({ mm: 0.5 })}.`}
			/>
			<TextField label="Words" value={text} onChange={setText} />
			<ChoiceField
				label="Choice"
				value={choice}
				onChange={(value) => setChoice(value)}
				options={[
					{ value: "a", label: "one" },
					{ value: "b", label: "another" },
				]}
			/>
		</div>
	);
}
