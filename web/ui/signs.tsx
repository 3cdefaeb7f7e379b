import type { Band } from "@contract/pieces";
import type { Severity } from "@core/advice";
import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { glowHex } from "@core/kiln/glow";
import { glyphProfile } from "@core/stack/profile";
import { useFigure } from "../lib/prefs";
import { sizeWords } from "./size-words";

/** The product's own signs: small drawings that always stand with their word. */

const GLYPH_W = 34;
const GLYPH_H = 18;
/** One flat sheet, before it is bent. */
const SHEET = Array.from({ length: 48 }, (_, i) => (i < 2 || i > 45 ? 0 : 3));

/** A section of two bars after a level's heat, by the core's own model; only stuck they show their seam, run deep they fill walls, slumped they sag. */
export function LevelGlyph({ level, label = true }: { level: FuseLevel; label?: boolean }) {
	const profile = level === "slump" ? SHEET : glyphProfile(level);
	const x = (i: number) => 1 + ((GLYPH_W - 2) * (i + 0.5)) / profile.length;
	const sag = (i: number) => {
		if (level !== "slump") return 0;
		const across = Math.abs(((i + 0.5) / profile.length) * 2 - 1);
		return 7 * across * across;
	};
	const floor = GLYPH_H - 2.5;
	const scale = 1.75;
	const glass = profile.map((height, i) => [i, height] as const).filter(([, height]) => height > 0.15);
	const top = glass.map(([i, height]) => `${x(i).toFixed(1)} ${(floor - sag(i) - height * scale).toFixed(1)}`);
	const bottom = glass.map(([i]) => `${x(i).toFixed(1)} ${(floor - sag(i)).toFixed(1)}`).reverse();
	return (
		<span className="inline-flex items-center gap-2 whitespace-nowrap">
			<svg
				width={GLYPH_W}
				height={GLYPH_H}
				viewBox={`0 0 ${GLYPH_W} ${GLYPH_H}`}
				role="img"
				aria-label={LEVEL_WORDS[level]}
				className="shrink-0 fill-base-content"
			>
				{level === "sinter" || level === "firePolish" ? (
					<TwoBars floor={floor} />
				) : level === "deep" ? (
					<Filled floor={floor} />
				) : (
					<path d={`M${[...top, ...bottom].join("L")}Z`} />
				)}
				<path d={`M0 ${GLYPH_H - 1.2}H${GLYPH_W}`} className="stroke-base-content" strokeWidth="1.2" />
				{level === "firePolish" && (
					<path d={`M${GLYPH_W - 8} 2l1.4 2.6 2.6 1.4-2.6 1.4-1.4 2.6-1.4-2.6-2.6-1.4 2.6-1.4z`} />
				)}
			</svg>
			{label && <span>{LEVEL_WORDS[level]}</span>}
		</span>
	);
}

/** Bars that only stick: still two, with a seam between. */
const TwoBars = ({ floor }: { floor: number }) => (
	<>
		<rect x="3" y={floor - 5} width={GLYPH_W - 6} height="5" />
		<rect x="10" y={floor - 11} width={GLYPH_W - 20} height="4.8" />
	</>
);

/** Glass that ran until walls held it. */
const Filled = ({ floor }: { floor: number }) => (
	<>
		<path
			d={`M3 ${floor - 12}V${floor}M${GLYPH_W - 3} ${floor - 12}V${floor}`}
			className="stroke-base-content"
			strokeWidth="1.6"
		/>
		<rect x="5.4" y={floor - 7} width={GLYPH_W - 10.8} height="7" />
	</>
);

/** Layers as bands in the glass's own colours, shelf at the bottom, thickness to scale (2 px a mm, at most 12 mm high). */
export function StackBar({ stack, width = 22 }: { stack: readonly Band[]; width?: number }) {
	const figure = useFigure();
	const total = stack.reduce((sum, { mm }) => sum + mm, 0);
	const px = Math.min(2, 24 / Math.max(total, 1));
	let y = 27;
	return (
		<svg
			width={width}
			height={28}
			viewBox={`0 0 ${width} 28`}
			role="img"
			aria-label={`stack ${sizeWords(
				stack.map(({ mm }) => mm),
				figure,
				" and ",
			)} from the shelf up`}
			className="shrink-0"
		>
			{stack.map(({ colour, mm }, i) => {
				y -= mm * px;
				return (
					<rect
						key={i}
						x="0.5"
						y={y}
						width={width - 1}
						height={mm * px - 0.6}
						fill={colour}
						className="stroke-base-content/50"
						strokeWidth="0.6"
					/>
				);
			})}
			<path d={`M0 27.4H${width}`} className="stroke-base-content" strokeWidth="1.2" />
		</svg>
	);
}

/** As bought | as fired: one swatch where they are the same. */
export function SwatchPair({ bought, fired, label }: { bought: string; fired: string; label: string }) {
	const same = bought === fired;
	return (
		<svg
			width="30"
			height="24"
			viewBox="0 0 30 24"
			role="img"
			aria-label={same ? label : `${label}: left as bought, right as fired`}
			className="shrink-0"
		>
			<rect x="0.5" y="0.5" width="29" height="23" rx="2" fill={bought} className="stroke-base-content/40" />
			{!same && <path d="M15 0.5h12.5a2 2 0 0 1 2 2v19a2 2 0 0 1-2 2H15z" fill={fired} />}
			{!same && <path d="M15 0v24" className="stroke-base-100" strokeWidth="1.5" />}
		</svg>
	);
}

const SEVERITY_CLASS: Record<Severity, string> = { stop: "text-error", fix: "text-warning", know: "text-secondary" };

/** Severity by shape and word as well as colour: a filled bar, a notch, a ring. */
export function SeverityMark({ severity }: { severity: Severity }) {
	return (
		<span className={`inline-flex items-center gap-1.5 font-semibold ${SEVERITY_CLASS[severity]}`}>
			<svg
				width="16"
				height="16"
				viewBox="0 0 16 16"
				aria-hidden="true"
				fill="none"
				stroke="currentColor"
				strokeWidth="2"
			>
				{severity === "stop" && <path d="M2 2h12v12H2z M5 8h6" strokeWidth="2.4" />}
				{severity === "fix" && <path d="M2 13.5 8 2.5l6 11" />}
				{severity === "know" && <circle cx="8" cy="8" r="5.2" />}
			</svg>
			{severity}
		</span>
	);
}

/** The colour of a body at this temperature; a dark slab below 500 °C. Text stands beside it, never on it. */
export function Glow({ c, className }: { c: number; className?: string }) {
	return (
		<svg className={className} viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
			<rect width="1" height="1" fill={glowHex(c) ?? "#2f3d39"} />
		</svg>
	);
}

export function PromiseMark({ state }: { state: "late" | "atRisk" | "ok" | "kept" }) {
	if (state === "late") return <span className="font-semibold whitespace-nowrap text-error">late</span>;
	if (state === "atRisk") return <span className="font-semibold whitespace-nowrap text-warning">at risk</span>;
	return <span className="text-soft">{state === "kept" ? "kept" : "in time"}</span>;
}
