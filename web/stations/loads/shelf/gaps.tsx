import type { PieceBrief } from "@contract/pieces";
import type { KilnPlacement } from "@core/loading/placement";
import { type ReactNode, useState } from "react";

interface Props {
	/** Pieces that might lie here and do not. */
	beside: readonly PieceBrief[];
	find(ids: readonly string[]): Promise<KilnPlacement[]>;
	onPut(one: KilnPlacement): void;
	/** Changes with the shelf: what was found before holds no more. */
	shelfKey: string;
	/** What else is said of them. */
	children: ReactNode;
}

/** What else fits in the gaps of a shelf, put in with one press. */
export function Gaps({ beside, find, onPut, shelfKey, children }: Props) {
	const [found, setFound] = useState<{ key: string; fits: KilnPlacement[] }>();
	const [isLooking, setIsLooking] = useState(false);
	if (beside.length === 0) return null;
	const fits = found?.key === shelfKey ? found.fits : undefined;
	const look = async () => {
		setIsLooking(true);
		setFound({ key: shelfKey, fits: await find(beside.map(({ id }) => id)) });
		setIsLooking(false);
	};
	const of = (id: string) => beside.find((one) => one.id === id);
	return (
		<div className="flex flex-wrap items-center gap-2">
			<span>
				Not on this shelf: <b className="figure">{beside.length}</b>.
			</span>
			{fits ? (
				fits.length === 0 ? (
					<span className="text-soft">None of them fits in a gap.</span>
				) : (
					fits.map((one) => (
						<button key={one.id} type="button" className="btn btn-sm max-lg:h-11" onClick={() => onPut(one)}>
							put in <b className="figure">{of(one.id)?.code}</b> {of(one.id)?.student?.split(" ")[0]}
						</button>
					))
				)
			) : (
				<button type="button" className="btn btn-sm max-lg:h-11" disabled={isLooking} onClick={look}>
					{isLooking ? "Looking …" : "What fits in the gaps?"}
				</button>
			)}
			{children}
		</div>
	);
}
