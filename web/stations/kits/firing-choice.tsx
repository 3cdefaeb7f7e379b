import { LEVEL_WORDS } from "@core/firing/level";
import { assemblyFiring, type KitDesign } from "@core/kit/kit";
import { LevelGlyph } from "../../ui/signs";

interface Props {
	design: KitDesign;
	/** Undefined: the one that puts the kit together. */
	firing: number | undefined;
	onFiring(firing: number | undefined): void;
}

/** Which firing of the route the bench shows: plan, section, outline and findings are those of this one. */
export function FiringChoice({ design, firing, onFiring }: Props) {
	const { route } = design;
	if (route.length < 2) return null;
	const together = assemblyFiring(design);
	const shown = firing ?? together;
	return (
		<div className="join" role="group" aria-label="Firing that is shown">
			{route.map(({ level }, i) => (
				<button
					key={i}
					type="button"
					aria-pressed={i === shown}
					title={i < together ? "makes components" : i === together ? "puts it together" : "after it is put together"}
					className={`btn btn-sm join-item gap-1.5 px-2.5 ${i === shown ? "btn-secondary [&_svg]:fill-current [&_path]:stroke-current [&_rect]:fill-current" : ""}`}
					onClick={() => onFiring(i === together ? undefined : i)}
				>
					<b className="figure">{i + 1}</b>
					<LevelGlyph level={level} label={false} />
					{LEVEL_WORDS[level]}
				</button>
			))}
		</div>
	);
}
