import { counted } from "@core/units/counted";
/** A task of upkeep and when it is due. */
export function UpkeepLine({ what, left }: { what: string; left: number }) {
	const tone = left <= 0 ? "font-semibold text-error" : left <= 3 ? "font-semibold text-warning" : "text-soft";
	return (
		<span>
			{what}
			<span className={`block ${tone}`}>{left <= 0 ? "due now" : `in ${counted(left, "firing")}`}</span>
		</span>
	);
}
