import type { BagsOfKit } from "@contract/bags";
import { useState } from "react";
import { kitWords } from "./kit-words";
import { missingOf } from "./missing-of";

export interface OpenBag {
	runId: string;
	number: number;
}

interface PickerProps {
	kits: readonly BagsOfKit[];
	chosen: { kit: BagsOfKit; bag: BagsOfKit["bags"][number] };
	onOpen(open: OpenBag): void;
	onScan(text: string): void;
	trouble: string;
}

/** Every bag by its number, with a word for its state; or found by the code on its label. */
export function BagPicker({ kits, chosen, onOpen, onScan, trouble }: PickerProps) {
	const [text, setText] = useState("");
	return (
		<section
			aria-label="Bags"
			className="scroll-y flex flex-col gap-4 border-r border-line px-5 py-3 max-lg:border-r-0"
		>
			<form
				onSubmit={(event) => {
					event.preventDefault();
					onScan(text);
					setText("");
				}}
			>
				<label className="flex flex-col gap-1 font-semibold">
					Scan or type a bag’s code
					<input className="input figure h-11 w-full" value={text} onChange={(event) => setText(event.target.value)} />
				</label>
				{trouble && (
					<p role="alert" className="font-semibold text-error">
						{trouble}
					</p>
				)}
			</form>
			{kits.map((kit) => (
				<div key={kit.runId}>
					<h2>
						{kitWords(kit.name, kit.palette)} <span className="font-normal text-soft">version {kit.version}</span>
					</h2>
					{kit.isOld && (
						<p className="font-semibold text-warning">
							The kit was changed since; these bags are for the version above.
						</p>
					)}
					<div className="mt-1 grid grid-cols-5 gap-1.5">
						{kit.bags.map((bag) => (
							<BagButton
								key={bag.number}
								kit={kit}
								bag={bag}
								isChosen={chosen.kit.runId === kit.runId && chosen.bag.number === bag.number}
								onOpen={() => onOpen({ runId: kit.runId, number: bag.number })}
							/>
						))}
					</div>
				</div>
			))}
		</section>
	);
}

/** "closed", "closed, 2 missing", "5 to go", "empty". */
function stateWords({ inIt, packedAt }: BagsOfKit["bags"][number], missing: number): string {
	if (packedAt) return missing > 0 ? `${missing} missing` : "closed";
	return inIt.length > 0 ? `${missing} to go` : "empty";
}

interface ButtonProps {
	kit: BagsOfKit;
	bag: BagsOfKit["bags"][number];
	isChosen: boolean;
	onOpen(): void;
}

function BagButton({ kit, bag, isChosen, onOpen }: ButtonProps) {
	const missing = missingOf(kit, bag.inIt).length;
	const state = stateWords(bag, missing);
	const isShort = bag.packedAt !== null && missing > 0 && !isChosen;
	return (
		<button
			type="button"
			aria-pressed={isChosen}
			aria-label={`Bag ${bag.number} of ${kitWords(kit.name, kit.palette)}: ${state}`}
			className={`btn h-14 flex-col gap-0 px-0 ${isChosen ? "btn-secondary" : ""}`}
			onClick={onOpen}
		>
			<span className="figure text-lg leading-tight">{bag.number}</span>
			<span className={`text-[11px] leading-tight font-normal ${isShort ? "text-warning" : ""}`}>{state}</span>
		</button>
	);
}
