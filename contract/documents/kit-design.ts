import { shapeAreaMm2, signedAreaMm2 } from "@core/geometry/shape";
import { isSimple } from "@core/geometry/simple";
import { crossingsOf, MOST_CROSSINGS } from "@core/kit/intricacy";
import { allParts, KIT_VERSION, type KitDesign, type KitPart, LARGEST_KIT, METALS, WALL_STUFFS } from "@core/kit/kit";
import { say } from "@core/units/phrase";
import { written } from "@core/units/written";
import { z } from "zod";
import { count, lengthMm, level, placeMm, words } from "../fields";

const point = z.strictObject({ x: placeMm("A point’s x"), y: placeMm("A point’s y") });

const line = (least: number, name: string) =>
	z
		.array(point)
		.min(least, `${name} needs at least ${least} points.`)
		.max(LARGEST_KIT.points, `${name} has at most ${LARGEST_KIT.points} points.`);

const cutShape = z.discriminatedUnion("kind", [
	z.strictObject({ kind: z.literal("rectangle"), widthMm: lengthMm("Width"), heightMm: lengthMm("Height") }),
	z.strictObject({ kind: z.literal("square"), sideMm: lengthMm("Side") }),
	z.strictObject({ kind: z.literal("strip"), lengthMm: lengthMm("Length"), widthMm: lengthMm("Width") }),
	z.strictObject({ kind: z.literal("triangle"), widthMm: lengthMm("Width"), heightMm: lengthMm("Height") }),
	z.strictObject({ kind: z.literal("circle"), diameterMm: lengthMm("Diameter") }),
	z
		.strictObject({ kind: z.literal("ring"), diameterMm: lengthMm("Diameter"), holeMm: lengthMm("Hole") })
		.refine(({ diameterMm, holeMm }) => holeMm < diameterMm, {
			path: ["holeMm"],
			message: "The hole must be smaller than the ring.",
		}),
	z.strictObject({
		kind: z.literal("polygon"),
		sides: count("Sides", 3, 24),
		diameterMm: lengthMm("Corner to corner"),
	}),
	z
		.strictObject({
			kind: z.literal("outline"),
			points: line(3, "An outline"),
			holes: z.array(line(3, "A hole")).max(40, "An outline has at most 40 holes.").optional(),
		})
		.refine(({ points }) => isSimple(points) && Math.abs(signedAreaMm2(points)) >= 1, {
			path: ["points"],
			message: "The outline crosses itself or covers less than 1 mm².",
		})
		.refine(({ holes = [] }) => holes.every(isSimple), { path: ["holes"], message: "A hole crosses itself." })
		.refine((shape) => shapeAreaMm2(shape) >= 1, { path: ["holes"], message: "Its holes leave nothing of it." }),
]);

const lie = {
	id: words("The part’s id", 40, 1),
	name: words("The part’s name", 60, 1),
	layer: count("Layer", 0, LARGEST_KIT.layers - 1),
	xMm: placeMm("Across"),
	yMm: placeMm("Up"),
	turnDeg: z
		.number({ error: "Turn must be a number." })
		.min(-360, "Turn must be at least -360°.")
		.max(360, "Turn must be at most 360°."),
	firing: count("Firing", 0, LARGEST_KIT.firings - 1),
	loose: z.boolean().optional(),
};

const glassId = words("The part’s glass", 40, 1);

const metal = z.enum(METALS, { error: "Choose a metal." });

const heightMm = lengthMm("Height", 100, 0.2);

export const kitPart = z.discriminatedUnion("kind", [
	z.strictObject({ ...lie, kind: z.literal("sheet"), shape: cutShape, glassId, faceDown: z.boolean() }),
	z.strictObject({ ...lie, kind: z.literal("thread"), points: line(2, "A stringer"), glassId }),
	z.strictObject({
		...lie,
		kind: z.literal("grains"),
		shape: cutShape,
		glassId,
		gPerCm2: z
			.number({ error: "What is strewn must be a number." })
			.min(0.005, written(say`Frit must be at least ${{ gPerCm2: 0.005 }}.`))
			.max(25, written(say`Frit must be at most ${{ gPerCm2: 25 }}.`)),
	}),
	z.strictObject({
		...lie,
		kind: z.literal("lump"),
		form: z.enum(["dome", "slice"], { error: "Choose dot or cane slice." }),
		diameterMm: lengthMm("Diameter", 60, 1),
		heightMm: lengthMm("Height", 30, 0.5),
		glassId,
		ground: z.boolean().optional(),
	}),
	z.strictObject({ ...lie, kind: z.literal("foil"), shape: cutShape, metal }),
	z.strictObject({
		...lie,
		kind: z.literal("loop"),
		metal,
		wireMm: lengthMm("Wire", 3, 0.3),
		eyeMm: lengthMm("Eye", 30, 1),
		tailMm: lengthMm("Tail", 60, 1),
	}),
	z.strictObject({
		...lie,
		kind: z.literal("fibre"),
		use: z.enum(["support", "insert"], { error: "Choose support or insert." }),
		shape: cutShape,
		heightMm,
	}),
	z.strictObject({
		...lie,
		kind: z.literal("dam"),
		shape: cutShape,
		heightMm,
		of: z.enum(WALL_STUFFS, { error: "Choose what the wall is of." }).optional(),
		wallMm: lengthMm("Wall", 100, 0).optional(),
		liningMm: lengthMm("Lining", 30, 0).optional(),
	}),
	z.strictObject({ ...lie, kind: z.literal("component"), componentId: words("The component", 40, 1) }),
]) satisfies z.ZodType<KitPart>;

const parts = z.array(kitPart).max(LARGEST_KIT.parts, `A kit has at most ${LARGEST_KIT.parts} parts.`);

const routeStep = z.strictObject({
	level,
	handWork: words("Hand work", 80),
	turnedOver: z.boolean().optional(),
	mouldId: words("The mould", 40, 1).optional(),
});

/** The document itself, before its parts are held against each other. */
const fields = z.strictObject({
	version: z.literal(KIT_VERSION, { error: `This kit is not written in version ${KIT_VERSION} of the form.` }),
	name: words("The kit’s name", 80, 1),
	note: words("The note", 2000),
	parts: parts.min(1, "A kit needs at least 1 cut of glass."),
	components: z
		.array(
			z.strictObject({
				id: words("The component’s id", 40, 1),
				name: words("The component’s name", 60, 1),
				firing: count("Firing", 0, LARGEST_KIT.firings - 1),
				parts: parts.min(1, "A component needs at least 1 part."),
			}),
		)
		.max(LARGEST_KIT.components, `A kit has at most ${LARGEST_KIT.components} components.`),
	route: z
		.array(routeStep)
		.min(1, "The route needs at least 1 firing.")
		.max(LARGEST_KIT.firings, `The route has at most ${LARGEST_KIT.firings} firings.`),
	palettes: z
		.array(
			z.strictObject({
				id: words("The palette’s id", 40, 1),
				name: words("The palette’s name", 60, 1),
				glass: z.record(words("A glass", 40, 1), words("A glass", 40, 1)),
			}),
		)
		.max(LARGEST_KIT.palettes, `A kit has at most ${LARGEST_KIT.palettes} palettes.`),
	flat: z.boolean(),
	frameId: words("The frame", 40, 1).nullable(),
	sampleId: words("The sample", 40, 1).nullable(),
});

export const kitDesign = fields.superRefine((design, context) => {
	for (const { path, sentence } of contradictions(design))
		context.addIssue({ code: "custom", path, message: sentence });
}) satisfies z.ZodType<KitDesign>;

/** The form of a kit without the checks of one part against another: what the JSON Schema can say. */
export const kitForm = fields;

const TOO_INTRICATE =
	"The edges of these parts cross too often for it to be read. Make it of fewer or simpler parts, or leave out what is covered.";

/** What the form alone cannot see: doubled ids, components that are not there or are used before they are made. */
function contradictions(design: KitDesign): { path: (string | number)[]; sentence: string }[] {
	const found: { path: (string | number)[]; sentence: string }[] = [];
	const seen = new Set<string>();
	for (const { id } of allParts(design)) {
		if (seen.has(id)) found.push({ path: ["parts"], sentence: `Two parts have the same id, ${id}.` });
		seen.add(id);
	}
	if (seen.size > LARGEST_KIT.parts)
		found.push({ path: ["parts"], sentence: `A kit has at most ${LARGEST_KIT.parts} parts, its components’ too.` });
	const last = design.route.length - 1;
	design.parts.forEach((part, i) => {
		if (part.firing > last)
			found.push({
				path: ["parts", i, "firing"],
				sentence: `${part.name} is laid for firing ${part.firing + 1}, but the route has ${last + 1}.`,
			});
		if (part.kind !== "component") return;
		const component = design.components.find(({ id }) => id === part.componentId);
		if (!component)
			found.push({
				path: ["parts", i, "componentId"],
				sentence: `${part.name} is a component that this kit does not have.`,
			});
		else if (component.firing >= part.firing)
			found.push({
				path: ["parts", i, "firing"],
				sentence: `${part.name} is made in firing ${component.firing + 1} and can be laid from firing ${component.firing + 2} on.`,
			});
	});
	design.components.forEach((component, i) => {
		component.parts.forEach((part, j) => {
			if (part.kind === "component")
				found.push({
					path: ["components", i, "parts", j],
					sentence: `${component.name} cannot be made of components.`,
				});
		});
	});
	// Last: components that are made of themselves have no outline to count.
	if (found.length === 0 && crossingsOf(design) > MOST_CROSSINGS)
		found.push({ path: ["parts"], sentence: TOO_INTRICATE });
	return found;
}
