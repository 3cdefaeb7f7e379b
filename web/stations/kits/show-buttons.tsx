import type { PlanShow } from "./plan/plan-editor";

/** What the plan shows, and in which colours. */
export function ShowButtons(props: {
	show: PlanShow;
	onShow(show: PlanShow): void;
	exploded: boolean;
	onExploded(exploded: boolean): void;
}) {
	const { show, onShow, exploded, onExploded } = props;
	const toggle = (label: string, pressed: boolean, onPress: () => void) => (
		<button
			type="button"
			aria-pressed={pressed}
			className={`btn btn-sm join-item px-2.5 ${pressed ? "btn-secondary" : ""}`}
			onClick={onPress}
		>
			{label}
		</button>
	);
	return (
		<div className="flex flex-wrap gap-2">
			<div className="join" role="group" aria-label="Colours">
				{toggle("as bought", !show.fired, () => onShow({ ...show, fired: false }))}
				{toggle("as fired", show.fired, () => onShow({ ...show, fired: true }))}
			</div>
			<div className="join" role="group" aria-label="What the plan shows">
				{toggle("thickness", show.thickness, () => onShow({ ...show, thickness: !show.thickness, stress: false }))}
				{toggle("stress", show.stress, () => onShow({ ...show, stress: !show.stress, thickness: false }))}
				{toggle("fired edge", show.after, () => onShow({ ...show, after: !show.after }))}
				{toggle("joints", show.joints, () => onShow({ ...show, joints: !show.joints }))}
				{toggle("exploded", exploded, () => onExploded(!exploded))}
			</div>
		</div>
	);
}
