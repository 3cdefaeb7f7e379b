import type { KilnStripView } from "@contract/kilns";
import type { FrameView } from "@contract/studio";
import type { ViewName, Views } from "@contract/views";
import type { Station } from "@core/studio/stations";
import { QueryClientProvider } from "@tanstack/react-query";
import { type ComponentType, useState } from "react";
import type { Help } from "../../help/help";
import { newQueryClient, useView } from "../../lib/api";
import { HouseContext } from "../../lib/house";
import { type Prefs, PrefsProvider } from "../../lib/prefs";
import { AlarmBar } from "./alarm-bar";
import { DemoLine } from "./demo-line";
import { FirstVisit } from "./first-visit";
import type { Frame, Person } from "./frame";
import { HelpAsked } from "./help-asked";
import { useFrameKeys } from "./keys";
import { KilnStrip } from "./kiln-strip";
import { Rail } from "./rail";

export interface FramedProps<N extends ViewName> {
	frame: FrameView;
	strip: KilnStripView;
	person: Person;
	/** When this was answered. */
	now: string;
	initial: Views[N];
	params: Record<string, string>;
	prefs: Prefs;
}

export interface StationProps<N extends ViewName> {
	view: Views[N];
	frame: Frame;
	params: Record<string, string>;
}

/** Puts a station on the table between rail and kiln strip, fed by its view, which keeps itself current. */
export function framed<N extends ViewName>(
	name: N,
	station: Station | null,
	help: Help,
	Table: ComponentType<StationProps<N>>,
) {
	return function FramedStation(props: FramedProps<N>) {
		const [queries] = useState(newQueryClient);
		return (
			<QueryClientProvider client={queries}>
				<PrefsProvider initial={props.prefs} timeZone={props.frame.timeZone} now={props.now}>
					<Layout {...props} name={name} station={station} Table={Table} help={help} />
				</PrefsProvider>
			</QueryClientProvider>
		);
	};
}

function Layout<N extends ViewName>({
	name,
	station,
	Table,
	help,
	...props
}: FramedProps<N> & {
	name: N;
	station: Station | null;
	Table: ComponentType<StationProps<N>>;
	help: Help;
}) {
	const heard = useView("kilnStrip", {}, props.strip);
	const { kilns } = heard.data ?? props.strip;
	const frame: Frame = { ...(useView("frame", {}, props.frame).data ?? props.frame), person: props.person, kilns };
	const view = useView(name, props.params, props.initial).data ?? props.initial;
	useFrameKeys();
	return (
		<div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[74px_auto_minmax(0,1fr)_auto] print:block print:h-auto">
			<Rail frame={frame} station={station} />
			{/* Above the table: what comes up here moves no button at its foot. */}
			<div>
				<AlarmBar alarms={frame.alarms} house={frame.house} />
				{frame.isDemo && <DemoLine />}
				<FirstVisit view={name} first={help.first} />
			</div>
			<main className="min-h-0 min-w-0">
				<HouseContext value={frame}>
					<Table view={view as Views[N]} frame={frame} params={props.params} />
				</HouseContext>
			</main>
			<KilnStrip kilns={kilns} heardAtMs={heard.dataUpdatedAt} />
			<HelpAsked help={help} />
		</div>
	);
}
