import type { KitView } from "@contract/kits";
import { byId } from "@core/by-id";
import { drawnParts } from "@core/kit/drawn";
import { emptyKit, type KitDesign, type KitPart } from "@core/kit/kit";
import { slumpedHeightMm } from "@core/kit/mould-profile";
import { readKit } from "@core/stack/read-kit";
import { sectionAlong } from "@core/stack/section";
import { stackOf } from "@core/stack/stack";
import { surveyOf } from "@core/stack/survey";
import type { ReactElement } from "react";
import { describe, expect, it } from "vitest";
import { KITS } from "../../../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../../../demo/studio";
import { drawn, imperial, text } from "../../../tests/support/drawn";
import { bar, cut, fire, kit, lay, square } from "../../../tests/support/kit";
import { ComponentBar } from "./component-bar";
import { createKitDraft, DraftProvider } from "./draft";
import { EmptyBench } from "./empty-bench";
import { FiringChoice } from "./firing-choice";
import { FilePanel } from "./panels/file-panel";
import { PalettePanel } from "./panels/palette-panel";
import { Panels } from "./panels/panels";
import { RoutePanel } from "./panels/route-panel";
import { StackList } from "./panels/stack-list";
import { TellPanel } from "./panels/tell-panel";
import { TryPanel } from "./panels/try-panel";
import { ArrangeForm } from "./parts/arrange-form";
import { ChosenPanel } from "./parts/chosen-panel";
import { PartForm } from "./parts/part-form";
import { SpreadForm } from "./parts/spread-form";
import { ExplodedView } from "./plan/exploded-view";
import {
	AfterOutline,
	Dimensions,
	FindingMarks,
	HangLine,
	Joints,
	StressLegend,
	StressPatches,
	ThicknessLegend,
	ThicknessMap,
} from "./plan/plan-layers";
import { SectionView } from "./plan/section-view";

const glasses = byId(GLASSES);
const book = {
	glasses,
	families: byId(FAMILIES),
	moulds: byId(MOULDS),
	clearHeightMm: 180,
};
const demo = (name: string): KitDesign => KITS.find((one) => one.name.startsWith(name)) ?? emptyKit();
const viewOf = (design: KitDesign, change: Partial<KitView> = {}): KitView => ({
	kit: {
		id: "00000000-0000-0000-0000-000000000001",
		revision: 2,
		document: design,
		reading: readKit(design, book),
		issued: 3,
		retired: false,
	},
	isNew: false,
	glasses: GLASSES,
	families: FAMILIES,
	moulds: MOULDS,
	samples: [{ id: "s1", name: "Pump rust on clear", shows: ["striker"], glassIds: ["clear", "pump-rust"] }],
	versions: [
		{ version: 2, revision: 2, frozenAt: "2031-03-01T10:00:00Z", pieces: 6 },
		{ version: 1, revision: 1, frozenAt: "2031-02-01T10:00:00Z", pieces: 1 },
	],
	clearHeightMm: 180,
	pace: { cooling: "usual", warmUp: "usual" },
	currency: "USD",
	...change,
});
/** A panel with a kit on the bench. */
const onBench = (
	design: KitDesign,
	panel: ReactElement,
	chosen: readonly string[] = [],
	prefs?: typeof imperial,
): string => {
	const store = createKitDraft(design);
	store.getState().choose(chosen);
	store.getInitialState = store.getState; // what the server draws is the first state
	return drawn(<DraftProvider value={store}>{panel}</DraftProvider>, prefs);
};
const nothing = () => undefined;
const commands = {
	copy: nothing,
	paste: nothing,
	duplicate: nothing,
	remove: nothing,
	raise: nothing,
	turn: nothing,
	middle: nothing,
	undo: nothing,
	redo: nothing,
};

describe("the stack, top first", () => {
	it("gathers parts cut alike on one layer and says their sizes once, in the reader's units", () => {
		const ring = demo("Shingle");
		const list = text(onBench(ring, <StackList glasses={glasses} />));
		expect(list).toMatch(/Upper shingle rectangle 22 × 34 mm, pump rust, shows when fired ×12 2.*Lower shingle/);
		expect(text(onBench(ring, <StackList glasses={glasses} />, [], imperial))).toContain("7/8 × 1 5/16 in");
	});
	it("names every kind of part by what it is", () => {
		const parts: KitPart[] = [
			lay({ kind: "lump", form: "dome", diameterMm: 9, heightMm: 4, glassId: "clear" }, 5),
			lay({ kind: "foil", metal: "silver", shape: square(12) }, 4),
			lay({ kind: "fibre", use: "support", shape: square(12), heightMm: 3 }, 3),
			lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 25 }, 2),
		];
		const list = text(onBench(kit(parts), <StackList glasses={glasses} />));
		for (const words of [
			"dot 9 mm, 4 mm high",
			"silver foil, square 12 mm",
			"fibre support 3 mm",
			"steel wall 25 mm high",
		])
			expect(list).toContain(words);
	});
	it("an empty bench says how to begin", () =>
		expect(text(onBench(emptyKit(), <StackList glasses={glasses} />))).toContain("No part yet."));
});

describe("what is chosen", () => {
	const panel = (
		<ChosenPanel glasses={GLASSES} commands={commands} mode={{ kind: "parts" }} onMode={nothing} errorAt={nothing} />
	);
	it("nothing chosen, no panel; one: its form; several: what they share", () => {
		const wheel = demo("Pump");
		expect(onBench(wheel, panel)).toBe("");
		const one = text(onBench(wheel, panel, [wheel.parts[0]?.id ?? ""]));
		expect(one).toContain("1 part");
		expect(one).toContain("Cut and spread");
		const blades = wheel.parts.filter(({ name }) => name === "Blade").map(({ id }) => id);
		const several = text(onBench(wheel, panel, blades));
		expect(several).toContain("4 parts");
		expect(several).toContain("Glass of all of them");
		expect(several).not.toContain("Cut and spread");
	});
	it.each(
		KITS.flatMap(({ parts }) => parts)
			.filter((part, i, all) => all.findIndex(({ kind }) => kind === part.kind) === i)
			.map((part) => [part.kind, part] as const),
	)("a form for %s labels every field", (_, part) => {
		const form = onBench(
			kit([part], fire("full", "tack")),
			<PartForm
				part={part}
				glasses={GLASSES}
				onChange={nothing}
				errorAt={(field) => (field === "xMm" ? "Across must be a number." : undefined)}
			/>,
		);
		const fields = form.match(/<(input|select|textarea)/g)?.length ?? 0;
		const labels = form.match(/<label/g)?.length ?? 0;
		expect(labels).toBe(fields);
		expect(text(form)).toContain("Across must be a number.");
		expect(text(form)).toContain("Laid before");
	});
	it("repeats and spreads say what they are about to do", () => {
		const wheel = demo("Pump");
		expect(text(onBench(wheel, <ArrangeForm glasses={glasses} />, [wheel.parts[0]?.id ?? ""]))).toContain(
			"Lay 6 of them",
		);
		const base = wheel.parts[0];
		if (base?.kind !== "sheet") throw new Error("the tile is sheet");
		const form = text(
			onBench(wheel, <SpreadForm part={base} mode={{ kind: "scores", scores: [] }} onMode={nothing} />),
		);
		expect(form).toContain("from its left edge, up to 110 mm");
		expect(form).toContain("0 drawn");
	});
});

describe("what it tells", () => {
	const tell = (design: KitDesign, change: Partial<KitView> = {}, prefs?: typeof imperial) => {
		const view = viewOf(design, change);
		const survey = surveyOf(stackOf(design, book));
		return text(
			onBench(
				design,
				<TellPanel view={view} reading={survey.reading} survey={survey} design={design} mayEdit onLook={nothing} />,
				[],
				prefs,
			),
		);
	};
	it("figures with their units, the hang, the thicknesses, findings with their remedy", () => {
		const words = tell(demo("Kite"));
		for (const expected of [
			"90 | 3·3·3 | contour",
			"thickest 9 mm",
			"anneals as 10.7 mm",
			"of soak 1 h 47",
			"Hangs 2.9° off plumb",
			"Move the loop 4 mm",
			"0 to mend, 4 to know",
		])
			expect(words).toContain(expected);
		expect(tell(demo("Kite"), {}, imperial)).toMatch(/Move the loop [\d./]+ in/);
	});
	it("a striker is shown as bought | as fired, with the sample that bears it out", () => {
		const words = tell(demo("Pump"));
		expect(words).toContain("pump rust, as bought | as fired");
		expect(words).toContain("Seen on sample Pump rust on clear");
		expect(tell(demo("Night"))).not.toContain("Seen on sample");
	});
	it("money only where it may be seen", () => {
		expect(tell(demo("Nine"))).toMatch(/\$\d+\.\d\d/);
		expect(tell(demo("Nine"), { currency: null })).not.toContain("$");
	});
});

describe("route, trials, colours, files", () => {
	it("each firing says what it asks of a kiln; who may not change it only reads", () => {
		const dish = demo("Contour");
		const survey = surveyOf(stackOf(dish, book));
		const route = (mayEdit: boolean) =>
			text(onBench(dish, <RoutePanel view={viewOf(dish)} survey={survey} mayEdit={mayEdit} errorAt={nothing} />));
		expect(route(true)).toMatch(/full .*°C for 10 min, soak 1 h, then 83 °C\/h: about \d+ h/);
		expect(route(true)).toContain("Map dish, square");
		expect(route(true)).toContain("Add a firing");
		expect(route(false)).not.toContain("Add a firing");
		expect(route(false)).toContain("then grind the rim, wash and dry");
	});
	it("trials begin with a word while they are reckoned, and offer tested families only", () => {
		const words = text(
			onBench(
				demo("Nine"),
				<TryPanel
					reading={readKit(demo("Nine"), book)}
					families={FAMILIES}
					glasses={[...book.glasses.values()]}
					mayEdit
					tryOut={() => Promise.resolve([])}
				/>,
			),
		);
		expect(words).toContain("Trying the levels");
		expect(words).toContain("family 96");
		expect(words).not.toContain("barn window pane");
	});
	it("colours: as drawn and every palette; the one that is seen can be changed glass by glass", () => {
		const patch = demo("Nine");
		const words = text(onBench(patch, <PalettePanel glasses={GLASSES} seen="dusk-barn" onSee={nothing} mayEdit />));
		for (const expected of ["as drawn", "barn at dusk", "high noon", "instead of stubble", "instead of clear"])
			expect(words).toContain(expected);
	});
	it("files: out once saved, versions to bring back, the present one named", () => {
		const words = (change: Partial<KitView>) =>
			text(
				onBench(demo("Nine"), <FilePanel view={viewOf(demo("Nine"), change)} palette={undefined} changed mayEdit />),
			);
		expect(words({})).toMatch(/Version 2 1 Mar 03:00, 6 pieces this draft.*Version 1 .*1 piece Bring back/);
		expect(words({})).toContain("not the changes since");
		expect(words({ isNew: true, versions: [] })).toContain("Save the kit first");
	});
	it("components: where they are made, how often used, removed only when they are not", () => {
		const gate = demo("Field");
		expect(text(onBench(gate, <ComponentBar mayEdit />))).toMatch(/Rivet firing 1, used 6 × Open/);
		expect(text(onBench({ ...gate, parts: [] }, <ComponentBar mayEdit />))).toContain("Remove");
		expect(onBench(demo("Nine"), <ComponentBar mayEdit />)).toBe("");
	});
});

describe("drawings of the bench", () => {
	const px = 0.2;
	it.each(KITS.map((design) => [design.name, design] as const))(
		"%s: every layer is drawn without a number that is none",
		(_, design) => {
			const stack = stackOf(design, book);
			const survey = surveyOf(stack);
			const parts = drawnParts(design, glasses);
			const box = { minX: -50, maxX: 50, minY: -40, maxY: 40, widthMm: 100, heightMm: 80 };
			const cutLine = { from: { x: -80, y: 0 }, to: { x: 80, y: 0 } };
			const section = sectionAlong(stack.lain, survey.after, cutLine, stack.flow);
			const all = drawn(
				<>
					<svg aria-hidden="true">
						<ThicknessMap patches={survey.patches} px={px} />
						<StressPatches patches={survey.patches} stress={survey.stress} px={px} />
						<AfterOutline after={survey.after} px={px} />
						<Joints joints={survey.joints} px={px} />
						<FindingMarks findings={survey.reading.findings} looked={survey.reading.findings[0]} px={px} />
						<HangLine survey={survey} loops={[{ x: 4, y: 79 }]} px={px} />
						<Dimensions box={box} px={px} />
					</svg>
					<ThicknessLegend patches={survey.patches} />
					<StressLegend stress={survey.stress} />
					<SectionView
						section={section}
						drawn={parts}
						level={survey.reading.level}
						rests={survey.rests}
						turnedOver={false}
					/>
					<ExplodedView drawn={parts} fired chosen={[]} onChoose={nothing} />
				</>,
			);
			expect(all).not.toMatch(/NaN|Infinity|undefined/);
			expect(text(all)).toContain("100 mm");
			expect(all).toMatch(/The stack pulled apart, \d+ layers/);
		},
	);
	it("the stress map says how much of what is allowed, where, and how the soak evens it out, in either unit", () => {
		const design = kit([cut(square(60)), cut(square(20), 1), cut(square(20), 2)], fire("tack"));
		const { stress, patches } = surveyOf(stackOf(design, book));
		const legend = (prefs?: typeof imperial) => text(drawn(<StressLegend stress={stress} />, prefs));
		expect(legend()).toMatch(/At most \d+\.\d MPa of 10 allowed, where 9 mm meets 3 mm/);
		expect(legend()).toMatch(
			/When the soak begins the two are [\d.]+ °C apart, after \d+ min even to 0\.5 °C\. The rest of its 3 h/,
		);
		expect(stress.mpa).toHaveLength(patches.length);
		expect(text(drawn(<StressLegend stress={{ mpa: [], worst: undefined, evening: undefined }} />))).toBe("");
	});
	it("a kit begun from nothing offers three starters, each a kit that can be laid with the book’s glass", () => {
		const words = text(drawn(<EmptyBench glasses={GLASSES} onStart={nothing} />));
		for (const title of ["Sandwich tile", "Openwork", "Rings"]) expect(words).toContain(title);
		expect(text(drawn(<EmptyBench glasses={[]} onStart={nothing} />))).toContain("Nothing lies here yet");
	});
	it("firings to choose from, where there is more than one; the one that puts it together is pressed", () => {
		const dish = demo("Contour");
		const choice = drawn(<FiringChoice design={dish} firing={undefined} onFiring={nothing} />);
		expect(text(choice)).toContain("1 full");
		expect(choice.match(/aria-pressed="true"/g)).toHaveLength(1);
		expect(drawn(<FiringChoice design={demo("Nine")} firing={undefined} onFiring={nothing} />)).toBe("");
	});
	it("what another firing tells is to look at: its presses would change parts that the plan has not", () => {
		const gate = demo("Field");
		const assembled = stackOf(gate, book);
		const saving = {
			errorAt: nothing,
			changed: false,
			pending: false,
			error: null,
			keep: nothing,
			obstacle: undefined,
		};
		const panels = (firing: number, elsewhere = firing !== assembled.firing) =>
			text(
				onBench(
					gate,
					<Panels
						view={viewOf(gate)}
						surveyed={{ survey: surveyOf(assembled, undefined, firing), sound: gate, reading: {} } as never}
						saving={saving as never}
						mayEdit
						elsewhere={elsewhere}
						stressShown={false}
						palette={undefined}
						onPalette={nothing}
						onLook={nothing}
					/>,
				),
			);
		expect(panels(1)).toContain("Lay 3 mm fibre");
		expect(panels(0)).toContain("In firing 1");
		expect(panels(0)).toContain("loose on the shelf");
		expect(panels(1, true)).not.toContain("Lay 3 mm fibre");
	});
	it("a slump is drawn on its mould, true to scale, and says so", () => {
		const dish = demo("Contour");
		const stack = stackOf(dish, book);
		const mould = MOULDS.find(({ id }) => id === dish.route[1]?.mouldId);
		if (!mould) throw new Error("the dish is slumped into a mould of the book");
		const cutLine = { from: { x: -80, y: 0 }, to: { x: 80, y: 0 } };
		const after = stack.bodies.map((body) => body.after.region);
		const section = sectionAlong(stack.lain, after, cutLine, 4.9, 120, (at) => slumpedHeightMm(mould, at));
		const view = drawn(
			<SectionView section={section} drawn={drawnParts(dish, glasses)} level="slump" rests={{}} turnedOver={false} />,
		);
		expect(view).toContain("on its mould");
		expect(text(view)).toContain("on the mould true to scale");
		expect(view).not.toMatch(/NaN|Infinity/);
	});
	it("a section beside the glass says so", () => {
		const stack = stackOf(kit([cut(bar(60, 10))]), book);
		const section = sectionAlong(stack.lain, [], { from: { x: -40, y: 50 }, to: { x: 40, y: 50 } }, 1);
		expect(drawn(<SectionView section={section} drawn={[]} level="full" rests={{}} turnedOver={false} />)).toContain(
			"no glass here",
		);
	});
});
