import type { BagsOfKit, BagsView } from "@contract/bags";
import type { BagLine } from "@core/cutting/bag";
import { sizesOf } from "@core/geometry/shape";
import { readBagCode } from "@core/stock/bag-code";
import { useState } from "react";
import { Caution, Empty, Trouble } from "../../forms/notice";
import { help } from "../../help/bags";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { SHAPE_WORDS } from "../../ui/part-words";
import { NoClass, SessionPicker } from "../../ui/session-picker";
import { sizeWords } from "../../ui/size-words";
import { BagPicker, type OpenBag } from "./bag-picker";
import { BagTools } from "./bag-tools";
import { CutTabs } from "./cut-tabs";
import { FiredFirst } from "./fired-first";
import { kitWords } from "./kit-words";
import { missingOf } from "./missing-of";

export default framed("bags", "cut", help, Bags);

/** What goes into each bag: chosen by its number or its label's code, ticked off line by line, closed. */
function Bags({ view, frame }: StationProps<"bags">) {
	const { session, kits } = view;
	const [open, setOpen] = useState<OpenBag>();
	const [scanTrouble, setScanTrouble] = useState("");
	const pack = useAct("packBag");
	if (!session) return <NoClass title="No class to pack for" />;
	const all = kits.flatMap((kit) => kit.bags.map((bag) => ({ kit, bag })));
	const closed = all.filter(({ bag }) => bag.packedAt).length;
	const first = all.find(({ bag }) => !bag.packedAt) ?? all[0];
	const chosen = all.find(({ kit, bag }) => kit.runId === open?.runId && bag.number === open.number) ?? first;
	const scan = (text: string) => {
		const code = readBagCode(text);
		const found = all.find(({ bag }) => bag.code === code);
		setScanTrouble(
			!code ? "This is no bag’s code." : found ? "" : "This bag is of another class, or of a list that was changed.",
		);
		if (!found) return;
		const { kit, bag } = found;
		const isOpen = chosen?.kit.runId === kit.runId && chosen.bag.number === bag.number;
		// Scanned again once all is in: closed.
		if (isOpen && missingOf(kit, bag.inIt).length === 0 && !bag.packedAt)
			pack.mutate({ cutRunId: kit.runId, number: bag.number, packed: true });
		setOpen({ runId: kit.runId, number: bag.number });
	};
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-center justify-between gap-4 border-b border-line px-5 max-lg:flex-wrap max-lg:gap-y-0">
				<span className="flex items-center gap-6 max-lg:flex-wrap max-lg:gap-y-1">
					<CutTabs open="bags" sessionId={session.id} />
					<SessionPicker sessions={view.sessions} session={session} path="/cut/bags" />
				</span>
				<p className="whitespace-nowrap">
					<b className="figure text-2xl">{closed}</b> <span className="text-soft">of {all.length} bags closed</span>
				</p>
			</div>
			{all.length === 0 || !chosen ? (
				<Empty title="No kit is on this class’s list">
					Put a kit on the list under Parts: its bags appear here, one for each kit.
				</Empty>
			) : (
				<div className="grid min-h-0 grow grid-cols-[300px_minmax(0,1fr)_320px] max-lg:flex max-lg:flex-col max-lg:overflow-y-auto">
					<BagPicker kits={kits} chosen={chosen} onOpen={setOpen} onScan={scan} trouble={scanTrouble} />
					<Bag
						key={`${chosen.kit.runId} ${chosen.bag.number}`}
						kit={chosen.kit}
						bag={chosen.bag}
						view={view}
						onNext={() => setOpen(undefined)}
					/>
					<section
						aria-label="Besides"
						className="scroll-y flex flex-col gap-5 border-l border-line px-5 py-3 max-lg:border-l-0"
					>
						<FiredFirst view={view} sessionId={session.id} mayPlan={frame.person.role === "instructor"} />
						<BagTools />
						<a className="btn" href={`/cut/bag-labels?session=${session.id}`}>
							Print the bags’ labels
						</a>
						<Caution>Frit and powder: weigh with a mask, never blow. Cut edges go in wrapped.</Caution>
						<OwnCautions station="cut" />
					</section>
				</div>
			)}
		</div>
	);
}

interface BagProps {
	kit: BagsOfKit;
	bag: BagsOfKit["bags"][number];
	view: BagsView;
	onNext(): void;
}

/** One bag: what is to go in as large lines to press, and how many are missing as the largest number. */
function Bag({ kit, bag, view, onNext }: BagProps) {
	const line = useAct("packLine");
	const pack = useAct("packBag", (_, { packed }) => packed && onNext());
	const missing = missingOf(kit, bag.inIt).length;
	const of = { cutRunId: kit.runId, number: bag.number };
	return (
		<section aria-label="Bag" className="flex min-h-0 flex-col px-6 py-3 max-lg:shrink-0">
			<div className="flex items-baseline justify-between gap-4">
				<h1>
					{kitWords(kit.name, kit.palette)}, bag {bag.number}
				</h1>
				<span className="figure text-soft">{bag.code}</span>
			</div>
			<p className="mt-1 mb-2">
				<b className={`figure text-6xl leading-none ${missing === 0 ? "text-success" : ""}`}>{missing}</b>{" "}
				<span className="text-lg text-soft">
					{missing === 1 ? "thing is" : "things are"} still to go in
					{bag.packedAt && `; closed by ${bag.packedBy}`}
				</span>
			</p>
			<ul className="ruled scroll-y min-h-0 grow">
				{kit.contents.map((one) => {
					const isIn = bag.inIt.includes(one.key);
					return (
						<li key={one.key}>
							<button
								type="button"
								aria-pressed={isIn}
								className={`grid min-h-14 w-full grid-cols-[44px_64px_minmax(0,1fr)_auto] items-center gap-3 text-left ${isIn ? "opacity-55" : "hover:bg-base-100"}`}
								onClick={() => line.mutate({ ...of, lineKey: one.key, inIt: !isIn })}
							>
								<span
									className={`grid size-9 place-items-center border-2 text-xl font-bold ${isIn ? "border-success text-success" : "border-line"}`}
								>
									{isIn ? "✓" : ""}
								</span>
								<b className="figure text-2xl">{one.count} ×</b>
								<BagWords line={one} view={view} />
								<span className="text-soft">{isIn ? "in" : one.fired ? "fired before" : ""}</span>
							</button>
						</li>
					);
				})}
			</ul>
			<div className="mt-2 flex items-center gap-3">
				{bag.packedAt ? (
					<button
						type="button"
						className="btn h-14 grow text-base"
						onClick={() => pack.mutate({ ...of, packed: false })}
					>
						Open it again
					</button>
				) : (
					<>
						<button
							type="button"
							className="btn h-14 grow text-base"
							disabled={missing === 0 || pack.isPending}
							onClick={() => pack.mutate({ ...of, packed: true, all: true })}
						>
							All in, close it
						</button>
						<button
							type="button"
							className="btn btn-primary h-14 grow text-base"
							disabled={pack.isPending}
							onClick={() => pack.mutate({ ...of, packed: true })}
						>
							{missing === 0 ? "Close it" : `Close it with ${missing} missing`}
						</button>
					</>
				)}
			</div>
			<Trouble error={line.error ?? pack.error} />
		</section>
	);
}

function BagWords({ line, view }: { line: BagLine; view: BagsView }) {
	const figure = useFigure();
	const { cut, fired } = line;
	if (!cut && !fired) return <span className="text-[17px]">{line.words}</span>;
	const glass = view.glasses.find(({ id }) => id === (cut ?? fired)?.glassId);
	const sizeOf = () =>
		cut?.shape
			? sizeWords(sizesOf(cut.shape), figure)
			: cut?.amount
				? figure(cut.amount)
				: fired
					? figure({ mm: fired.sizeMm })
					: "";
	const what = cut?.kind === "sheet" && cut.shape ? SHAPE_WORDS[cut.shape.kind] : line.words;
	return (
		<span className="flex min-w-0 items-center gap-2.5 text-[17px]">
			{glass && (
				<svg width="22" height="22" aria-hidden="true" className="shrink-0">
					<rect width="22" height="22" fill={glass.boughtColour} className="stroke-base-content/40" />
				</svg>
			)}
			<span className="min-w-0 truncate">
				{[glass?.name, what].filter(Boolean).join(", ")}{" "}
				<span className="figure text-soft">
					{cut?.kind === "grains" && cut.amount ? `${figure(cut.amount)} in a pot` : sizeOf()}
				</span>
			</span>
		</span>
	);
}
