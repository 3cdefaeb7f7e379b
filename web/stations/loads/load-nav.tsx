import type { ReactNode } from "react";
import { StationNav } from "../../ui/station-nav";

const PLACES = [
	{ href: "/load", label: "Trays and shelf" },
	{ href: "/load/plan", label: "Two weeks" },
] as const;

/** The two tables of the load station. */
export const LoadNav = (props: { here: (typeof PLACES)[number]["href"]; children?: ReactNode }) => (
	<StationNav label="Load" places={PLACES} {...props} />
);
