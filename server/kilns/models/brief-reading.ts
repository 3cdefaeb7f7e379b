import type { ReadingsView } from "@contract/firings";
import type { lastReadings } from "@db/queries/readings";

export const briefReading = (
	row: Awaited<ReturnType<typeof lastReadings>>[number],
): NonNullable<ReadingsView["latest"]> => {
	const { at, airC, setC, duty, kwh, segment, elapsedS, status } = row;
	return { at: at.toISOString(), airC, setC, duty, kwh, segment, elapsedS, status };
};
