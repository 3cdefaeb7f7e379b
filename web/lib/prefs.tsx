import { type Figure, formatFigure, METRIC, type Units } from "@core/units/phrase";
import { createContext, type ReactNode, useContext, useMemo, useState } from "react";
import { ClockProvider } from "./clock";

type Theme = "workshop" | "kilnroom";

/** What one browser likes: kept in a cookie, so that the server's first picture is already right. */
export interface Prefs {
	units: Units;
	theme: Theme;
}

const USUAL_PREFS: Prefs = { units: METRIC, theme: "workshop" };
export const PREFS_COOKIE = "zephyr-prefs";

/** "mm.C.workshop" → prefs; anything else → the usual ones. @param units of the studio, for who has chosen none */
export function readPrefs(cookie: string | undefined, units: Units = METRIC): Prefs {
	if (!cookie) return { units, theme: "workshop" };
	const [length, temperature, theme] = (cookie ?? "").split(".");
	return {
		units: { length: length === "in" ? "in" : "mm", temperature: temperature === "F" ? "F" : "C" },
		theme: theme === "kilnroom" ? "kilnroom" : "workshop",
	};
}

interface PrefsContext extends Prefs {
	set(change: Partial<Prefs>): void;
	timeZone: string;
}

const Context = createContext<PrefsContext>({ ...USUAL_PREFS, set: () => {}, timeZone: "UTC" });

const YEAR_S = 31_536_000;

export function PrefsProvider(props: { initial: Prefs; timeZone: string; now: string; children: ReactNode }) {
	const [prefs, setPrefs] = useState(props.initial);
	const value = useMemo<PrefsContext>(
		() => ({
			...prefs,
			timeZone: props.timeZone,
			set(change) {
				const next = { ...prefs, ...change };
				setPrefs(next);
				document.documentElement.dataset.theme = next.theme;
				const text = [next.units.length, next.units.temperature, next.theme].join(".");
				// biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store API is not in every browser yet
				document.cookie = `${PREFS_COOKIE}=${text};path=/;max-age=${YEAR_S};samesite=lax`;
			},
		}),
		[prefs, props.timeZone],
	);
	return (
		<Context.Provider value={value}>
			<ClockProvider now={props.now}>{props.children}</ClockProvider>
		</Context.Provider>
	);
}

export const usePrefs = (): PrefsContext => useContext(Context);

/** Writes figures in the reader's units. */
export function useFigure(): (figure: Figure) => string {
	const { units } = usePrefs();
	return (figure) => formatFigure(figure, units);
}
