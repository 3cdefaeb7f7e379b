/** The house's one-way streets: web → server → db; web, server → contract, formats → core. */
const only = (name, from, allowed) => ({
	name,
	severity: "error",
	from: { path: from, pathNot: "\\.test\\.tsx?$" },
	to: { path: "^(core|contract|formats|db|server|web|standins|demo|scripts|tests)/", pathNot: allowed },
});

/** Folders of server/ that are no word of the house. */
const HOUSE = "house|devices|jobs|heavy";

module.exports = {
	forbidden: [
		only("core-knows-nothing-else", "^core/", "^core/"),
		{
			name: "core-uses-named-maths-only",
			severity: "error",
			from: { path: "^core/", pathNot: "\\.test\\.ts$" },
			to: { dependencyTypes: ["npm", "npm-dev", "core"], pathNot: "node_modules/clipper2-ts" },
		},
		only("formats-know-core", "^formats/", "^(formats|core)/"),
		only("contract-knows-core", "^contract/", "^(contract|core)/"),
		only("db-knows-core-and-shapes", "^db/", "^(db|core|contract|formats)/"),
		only("server-never-sees-web", "^server/", "^(server|db|contract|formats|core|standins)/"),
		only("stand-ins-are-outside", "^standins/", "^(standins|core/firing|core/units)/?"),
		{
			name: "a-word-reaches-another's-models-only",
			comment: "Use cases and views of a word are its own; what others need of it lies in its models/.",
			severity: "error",
			from: { path: `^server/((?!${HOUSE})[^/]+)/`, pathNot: "\\.test\\.ts$" },
			to: { path: "^server/[^/]+/", pathNot: [`^server/(${HOUSE})/`, "^server/$1/", "^server/[^/]+/models/"] },
		},
		{
			name: "use-cases-come-together-in-perform-alone",
			severity: "error",
			from: { path: "^server/", pathNot: "^server/(house/(perform|see)|use-cases|views)\\.ts$" },
			to: { path: "^server/(use-cases|views)\\.ts$" },
		},
		{
			name: "pages-never-import-db",
			severity: "error",
			from: { path: "^web/" },
			to: { path: "^db/" },
		},
		{
			name: "islands-never-import-server",
			severity: "error",
			from: { path: "^web/(stations|ui|forms|workers|lib/(?!page\\.ts))", pathNot: "\\.test\\.tsx?$" },
			to: { path: "^server/" },
		},
		{
			name: "no-circles",
			severity: "error",
			from: {},
			to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
		},
	],
	options: {
		tsConfig: { fileName: "tsconfig.json" },
		tsPreCompilationDeps: true,
		doNotFollow: { path: "node_modules" },
		exclude: { path: "^(dist|data|\\.astro)/" },
		enhancedResolveOptions: {
			extensions: [".ts", ".tsx", ".mjs", ".js", ".json"],
			exportsFields: ["exports"],
			conditionNames: ["import", "default"],
		},
	},
};
