import { describe, expect, it } from "vitest";
import type { Action } from "./action";
import { actions } from "./actions";
import * as bags from "./bags";
import * as begin from "./begin";
import * as classes from "./classes";
import * as courses from "./courses";
import * as cutting from "./cutting";
import * as firings from "./firings";
import * as glass from "./glass";
import * as keeping from "./keeping";
import * as kilns from "./kilns";
import * as kits from "./kits";
import * as loads from "./loads";
import * as lots from "./lots";
import * as microwave from "./microwave";
import * as people from "./people";
import { mayAs, ROLES } from "./people";
import * as pieces from "./pieces";
import * as schedules from "./schedules";
import * as stock from "./stock";
import * as studio from "./studio";
import * as today from "./today";
import { TOPICS } from "./topics";
import { views } from "./views";

const words: { actions?: object; views?: object }[] = [
	begin,
	classes,
	courses,
	firings,
	glass,
	keeping,
	kilns,
	kits,
	loads,
	microwave,
	people,
	pieces,
	schedules,
	stock,
	lots,
	bags,
	cutting,
	studio,
	today,
];
const namesOf = (kind: "actions" | "views") => words.flatMap((word) => Object.keys(word[kind] ?? {}));

describe("the contract", () => {
	it("gathers every word's actions and views, each under a name of its own", () => {
		expect(namesOf("actions").sort()).toEqual(Object.keys(actions).sort());
		expect(namesOf("views").sort()).toEqual(Object.keys(views).sort());
		expect(new Set(namesOf("actions")).size).toBe(namesOf("actions").length);
	});

	it.each(Object.entries({ ...actions, ...views }))("%s names a role, and topics there are", (_, { role, topics }) => {
		expect(ROLES).toContain(role);
		for (const topic of topics) expect(TOPICS).toContain(topic);
	});

	it.each(Object.entries(actions) as [string, Action][])("%s touches something that a view shows", (_, { topics }) => {
		const shown = Object.values(views).flatMap((view) => view.topics as readonly string[]);
		for (const topic of topics) if (topic !== "people") expect(shown).toContain(topic);
	});
});

describe("roles", () => {
	it("are ranked; nobody, and a role we do not know, may do nothing", () => {
		expect(mayAs("instructor", "assistant")).toBe(true);
		expect(mayAs("instructor", "instructor")).toBe(true);
		expect(mayAs("assistant", "assistant")).toBe(true);
		expect(mayAs("assistant", "instructor")).toBe(false);
		for (const stranger of ["student", "admin", "", "Instructor", null, undefined])
			for (const least of ROLES) expect(mayAs(stranger, least)).toBe(false);
	});
});
