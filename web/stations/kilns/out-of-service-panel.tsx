import type { KilnView } from "@contract/kilns";
import type { OutOfService } from "@core/kiln/record";
import { useState } from "react";
import { TextField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { outOfServiceWords } from "../../ui/out-of-service-words";

/** A kiln that is broken, being mended or lent out: no load is planned into it meanwhile. */
export function OutOfServicePanel({ view, today }: { view: KilnView; today: string }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const [isAsking, setIsAsking] = useState(false);
	const back = useAct("setOutOfService");
	const { outOfService: out, id: kilnId } = view.card;
	const announced = view.firings.filter(({ state }) => state === "planned").length;
	if (isAsking) return <OutOfServiceForm kilnId={kilnId} was={out} today={today} onDone={() => setIsAsking(false)} />;
	if (!out)
		return (
			<button type="button" className="btn btn-sm mt-3 max-lg:h-11" onClick={() => setIsAsking(true)}>
				Out of service …
			</button>
		);
	return (
		<section aria-label="Out of service" className="mt-3 border-l-4 border-warning bg-warning/10 px-3 py-2">
			<p>
				<b className="block first-letter:uppercase">{outOfServiceWords(out, nowMs, timeZone)}</b>
				{out.why}
			</p>
			{announced > 0 && (
				<a className="underline" href="/load/plan">
					{announced === 1 ? "A firing is" : `${announced} firings are`} announced in it: move what it would not be
					ready for
				</a>
			)}
			<button
				type="button"
				className="btn btn-sm mt-1.5 max-lg:h-11"
				disabled={back.isPending}
				onClick={() => back.mutate({ kilnId, out: null, was: out })}
			>
				It may be fired again
			</button>
			<Trouble error={back.error} />
		</section>
	);
}

function OutOfServiceForm(props: { kilnId: string; was: OutOfService | null; today: string; onDone(): void }) {
	const { kilnId, was, today, onDone } = props;
	const form = useActForm("setOutOfService", {
		start: { fromDay: today, untilDay: "", why: "" },
		schema: async () => (await import("@contract/kilns")).actions.setOutOfService,
		sent: ({ untilDay, ...rest }) => ({ kilnId, out: { ...rest, untilDay: untilDay || null }, was }),
		done: onDone,
	});
	return (
		<form aria-label="Out of service" noValidate className="mt-3 flex flex-col gap-2" onSubmit={form.submit}>
			<TextField label="Why" {...form.field("why")} error={form.errorAt("out.why")} />
			<TextField label="From" type="date" {...form.field("fromDay")} error={form.errorAt("out.fromDay")} />
			<TextField
				label="Until, that day too"
				type="date"
				{...form.field("untilDay")}
				error={form.errorAt("out.untilDay")}
				hint="Empty: until somebody brings it back."
			/>
			<div className="flex gap-2">
				<button type="submit" className="btn btn-sm btn-primary max-lg:h-11" disabled={form.pending}>
					Out of service
				</button>
				<button type="button" className="btn btn-sm max-lg:h-11" onClick={onDone}>
					Never mind
				</button>
			</div>
		</form>
	);
}
