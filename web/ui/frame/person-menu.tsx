import { Moon, Ruler, Sun, UserRound } from "lucide-react";
import { usePrefs } from "../../lib/prefs";
import type { Person } from "./frame";

/** Units, light or dark, and who is signed in. */
export function PersonMenu({ person }: { person: Person }) {
	const { units, theme, set } = usePrefs();
	const metric = units.length === "mm";
	return (
		<>
			<button
				type="button"
				className="btn btn-ghost btn-sm figure gap-1 px-1.5 font-normal"
				aria-label={`Units: ${metric ? "millimetres and Celsius" : "inches and Fahrenheit"}. Press to change.`}
				onClick={() => set({ units: metric ? { length: "in", temperature: "F" } : { length: "mm", temperature: "C" } })}
			>
				<Ruler size={17} aria-hidden="true" />
				<span className="max-lg:sr-only">{metric ? "mm °C" : "in °F"}</span>
			</button>
			<button
				type="button"
				className="btn btn-ghost btn-sm px-1.5"
				aria-label={theme === "workshop" ? "Dark, for the kiln room" : "Light, for the workshop"}
				onClick={() => set({ theme: theme === "workshop" ? "kilnroom" : "workshop" })}
			>
				{theme === "workshop" ? <Moon size={17} aria-hidden="true" /> : <Sun size={17} aria-hidden="true" />}
			</button>
			<a
				href="/account"
				className="btn btn-ghost btn-sm px-1.5"
				aria-label={`Signed in as ${person.name}, ${person.role}`}
				title={`${person.name}, ${person.role}`}
			>
				<UserRound size={17} aria-hidden="true" />
			</a>
		</>
	);
}
