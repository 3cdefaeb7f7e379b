import { QueryClientProvider } from "@tanstack/react-query";
import type { ReactElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { newQueryClient } from "../../web/lib/api";
import { type Prefs, PrefsProvider, readPrefs } from "../../web/lib/prefs";

export const NOW = "2031-03-08T12:00:00Z";
export const imperial = readPrefs("in.F.workshop");

/** What the server would send; every picture of the frame is first drawn there. */
export function drawn(element: ReactElement, prefs: Prefs = readPrefs(undefined)): string {
	return renderToStaticMarkup(
		<QueryClientProvider client={newQueryClient()}>
			<PrefsProvider initial={prefs} timeZone="America/Denver" now={NOW}>
				{element}
			</PrefsProvider>
		</QueryClientProvider>,
	);
}

/** The words of a picture, as somebody reads them. */
export const text = (markup: string): string => markup.replace(/<[^>]+>/g, " ").replace(/\s+/g, " ");
