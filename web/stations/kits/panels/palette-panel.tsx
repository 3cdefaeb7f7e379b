import type { Glass } from "@core/glass/glass";
import { allParts, glassIdOf, type KitDesign, LARGEST_KIT, type Palette } from "@core/kit/kit";
import { TextField } from "../../../forms/fields";
import { SwatchPair } from "../../../ui/signs";
import { newId, useDraft } from "../draft";
import { GlassChoice } from "../parts/part-form";

interface Props {
	glasses: readonly Glass[];
	/** The palette that is seen on the plan; undefined: as drawn. */
	seen: string | undefined;
	onSee(paletteId: string | undefined): void;
	mayEdit: boolean;
}

/** The same kit in other colours. */
export function PalettePanel({ glasses, seen, onSee, mayEdit }: Props) {
	const design = useDraft((draft) => draft.document);
	const edit = useDraft((draft) => draft.edit);
	const used = [...new Set(allParts(design).flatMap((part) => glassIdOf(part) ?? []))];
	const set = (palette: Palette, what: string) =>
		edit(
			(before) => ({ ...before, palettes: before.palettes.map((one) => (one.id === palette.id ? palette : one)) }),
			what,
		);
	const shown = design.palettes.find(({ id }) => id === seen);
	return (
		<>
			<div role="group" aria-label="Colours" className="flex flex-col gap-1">
				<Choice
					label="as drawn"
					pressed={!shown}
					colours={coloursOf(design, glasses, undefined)}
					onPress={() => onSee(undefined)}
				/>
				{design.palettes.map((palette) => (
					<Choice
						key={palette.id}
						label={palette.name}
						pressed={palette.id === seen}
						colours={coloursOf(design, glasses, palette)}
						onPress={() => onSee(palette.id)}
					/>
				))}
			</div>
			{mayEdit && design.palettes.length < LARGEST_KIT.palettes && used.length > 0 && (
				<button
					type="button"
					className="btn btn-sm mt-2 w-full"
					onClick={() => {
						const id = newId();
						edit((before) => ({
							...before,
							palettes: [...before.palettes, { id, name: `Colours ${before.palettes.length + 1}`, glass: {} }],
						}));
						onSee(id);
					}}
				>
					Add other colours
				</button>
			)}
			{shown && mayEdit && (
				<div className="mt-4 flex flex-col gap-2 border-t border-line pt-3">
					<TextField
						compact
						label="Name of these colours"
						value={shown.name}
						onChange={(name) => set({ ...shown, name }, "palette name")}
					/>
					{used.map((id) => {
						const glass = glasses.find((one) => one.id === id);
						return (
							<GlassChoice
								key={id}
								label={`instead of ${glass?.name ?? id}`}
								glasses={glasses.filter((one) => one.form === glass?.form && one.familyId === glass.familyId)}
								value={shown.glass[id] ?? id}
								onChange={(to) => set({ ...shown, glass: { ...shown.glass, [id]: to } }, "palette glass")}
							/>
						);
					})}
					<button
						type="button"
						className="btn btn-ghost btn-sm"
						onClick={() => {
							edit((before) => ({ ...before, palettes: before.palettes.filter(({ id }) => id !== shown.id) }));
							onSee(undefined);
						}}
					>
						Remove these colours
					</button>
				</div>
			)}
		</>
	);
}

function Choice(props: { label: string; pressed: boolean; colours: readonly Glass[]; onPress(): void }) {
	return (
		<button
			type="button"
			aria-pressed={props.pressed}
			className={`flex min-h-11 items-center gap-2 border-l-4 px-2 text-left ${props.pressed ? "border-secondary bg-pick" : "border-transparent hover:bg-base-100"}`}
			onClick={props.onPress}
		>
			<span className="min-w-0 grow truncate font-semibold">{props.label}</span>
			<span className="flex gap-0.5">
				{props.colours.slice(0, 5).map(({ id, name, boughtColour, firedColour }) => (
					<SwatchPair key={id} bought={boughtColour} fired={firedColour} label={name} />
				))}
			</span>
		</button>
	);
}

const coloursOf = (design: KitDesign, glasses: readonly Glass[], palette: Palette | undefined): Glass[] => {
	const ids = new Set(
		allParts(design).flatMap((part) => {
			const id = glassIdOf(part);
			return id === undefined ? [] : [palette?.glass[id] ?? id];
		}),
	);
	return glasses.filter(({ id }) => ids.has(id));
};
