import type { ReactNode } from "react";
import { StationNav } from "../../ui/station-nav";

const PLACES = [
	{ href: "/fire", label: "Firings" },
	{ href: "/fire/schedule", label: "Schedules" },
	{ href: "/fire/kilns", label: "Kilns" },
	{ href: "/fire/microwave", label: "Microwave block" },
] as const;

/** The four tables of the fire station. */
export const FireNav = (props: { here: (typeof PLACES)[number]["href"]; children?: ReactNode }) => (
	<StationNav label="Fire" places={PLACES} {...props} />
);
