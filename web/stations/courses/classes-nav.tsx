import type { ReactNode } from "react";
import { StationNav } from "../../ui/station-nav";

const PLACES = [
	{ href: "/classes", label: "Calendar" },
	{ href: "/students", label: "Students" },
] as const;

/** What belongs to classes: the calendar and who comes. */
export const ClassesNav = (props: { here: string; children?: ReactNode }) => (
	<StationNav label="Classes" places={PLACES} {...props} />
);
