import type { BooksView, StrainTest } from "@contract/glass";
import type { Glass } from "@core/glass/glass";
import { useState } from "react";
import { ChoiceField } from "../../forms/fields";
import { Caution, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";

/** Glasses of an untested family, each with its strain test: laid out, on its way, read. */
export function StrainTests({ view, familyId, mayRead }: { view: BooksView; familyId: string; mayRead: boolean }) {
	const glasses = view.glasses.filter((one) => one.familyId === familyId && !one.retired);
	const known = view.families.filter(({ tested }) => tested);
	if (glasses.length === 0 || known.length === 0) return null;
	return (
		<section aria-label="Strain tests" className="mt-6 flex flex-col gap-2">
			<h3 className="font-bold">Strain tests</h3>
			<ul className="ruled">
				{glasses.map((glass) => (
					<li key={glass.id} className="flex flex-col gap-2 py-2">
						<b>{glass.name}</b>
						{view.strainTests
							.filter(({ glassId }) => glassId === glass.id)
							.map((test) => (
								<OneTest key={test.id} test={test} families={view.families} mayRead={mayRead} />
							))}
						{view.strainTests.every(({ glassId }) => glassId !== glass.id) && <LayOut glass={glass} known={known} />}
					</li>
				))}
			</ul>
			<Caution>
				A strip of it across a clear piece of the known family, fired full and cold again: between crossed polarising
				films, against the light, strain shows as a bright halo round the strip. No halo today is a good sign, no
				promise: look again after some weeks, and follow the glass maker’s own word.
			</Caution>
		</section>
	);
}

/** A test is laid out: it goes into a corner of a full fuse of that family. */
function LayOut({ glass, known }: { glass: Glass; known: BooksView["families"] }) {
	const [testId, setTestId] = useState(() => crypto.randomUUID());
	const [onFamilyId, setOnFamilyId] = useState(known[0]?.id ?? "");
	const lay = useAct("layStrainTest", () => setTestId(crypto.randomUUID()));
	return (
		<div className="flex items-end gap-2">
			<ChoiceField
				compact
				label="On a glass of"
				value={onFamilyId}
				options={known.map(({ id, label }) => ({ value: id, label }))}
				onChange={setOnFamilyId}
			/>
			<button
				type="button"
				className="btn btn-sm h-9 max-lg:h-11"
				disabled={lay.isPending}
				onClick={() => lay.mutate({ testId, glassId: glass.id, onFamilyId })}
			>
				Lay out a test
			</button>
			<Trouble error={lay.error} />
		</div>
	);
}

function OneTest({ test, families, mayRead }: { test: StrainTest; families: BooksView["families"]; mayRead: boolean }) {
	const read = useAct("readStrainTest");
	const { id: testId, firing } = test;
	const label = families.find(({ id }) => id === test.onFamilyId)?.label ?? test.onFamilyId;
	const isOut = firing?.state === "opened";
	const answer = (shows: "fits" | "strain" | "nothing", words: string, look = "") => (
		<button
			type="button"
			className={`btn btn-sm max-lg:h-11 ${look}`}
			disabled={read.isPending}
			onClick={() => read.mutate({ testId, shows })}
		>
			{words}
		</button>
	);
	return (
		<div className="flex flex-col gap-1.5">
			<p className="text-soft">
				On {label}:{" "}
				{!firing || firing.state === "cancelled" ? (
					<>
						it waits for a corner of a full fuse, at{" "}
						<a className="underline" href="/load">
							Load
						</a>
					</>
				) : (
					<a className="underline" href={`/fire?firing=${firing.id}`}>
						{{ planned: "planned in", running: "fires in", opened: "out of" }[firing.state]} firing {firing.number},{" "}
						{firing.kiln}
					</a>
				)}
			</p>
			{mayRead && (
				<div className="flex flex-wrap gap-2">
					{isOut && answer("fits", `No halo: it is of ${label}`, "btn-primary")}
					{isOut && answer("strain", "A halo: keep it apart")}
					{firing?.state !== "running" && answer("nothing", "Call it off", "btn-ghost")}
				</div>
			)}
			<Trouble error={read.error} />
		</div>
	);
}
