import type { Blank, Column, CutPlan, CutRules, SheetPlan, Strip } from "@core/cutting/plan/types";

interface Box {
	x: number;
	y: number;
	w: number;
	h: number;
}

const EPS = 1e-6;

/**
 * What is wrong with a cutting plan, by simple means of its own: it takes every sheet in hand, cuts it score by score from edge to edge
 * of the piece it holds, and looks at what it has at the end.
 */
export function wrongWith(plan: CutPlan, blanks: readonly Blank[], rules: CutRules): string[] {
	const hand = new Hand(blanks, rules);
	for (const [i, sheet] of plan.sheets.entries()) hand.cutSheet(sheet, `sheet ${i}`);
	for (const [i, { key, count }] of blanks.entries()) {
		const [made, short] = [hand.made[i] ?? 0, plan.short[i] ?? 0];
		if (made + short !== count) hand.wrong.push(`${key}: ${made} cut and ${short} short of ${count}`);
	}
	return hand.wrong;
}

class Hand {
	readonly wrong: string[] = [];
	readonly made: number[];
	private pieces: Box[] = [];

	constructor(
		private readonly blanks: readonly Blank[],
		private readonly rules: CutRules,
	) {
		this.made = blanks.map(() => 0);
	}

	cutSheet({ sheet, turned, strips }: SheetPlan, where: string): void {
		const whole = {
			x: 0,
			y: 0,
			w: turned ? sheet.heightMm : sheet.widthMm,
			h: turned ? sheet.widthMm : sheet.heightMm,
		};
		this.pieces = [];
		let rest: Box | undefined = whole;
		for (const [i, strip] of strips.entries()) {
			if (!rest) return void this.wrong.push(`${where}: no glass is left for strip ${i}`);
			if (Math.abs(rest.y - strip.yMm) > EPS) this.wrong.push(`${where}: strip ${i} begins elsewhere than the glass`);
			const [band, above]: [Box, Box | undefined] = this.cut(rest, "h", strip.heightMm, where);
			rest = above;
			this.cutStrip(band, strip, turned, `${where}, strip ${i}`);
		}
		this.apart(whole, where);
	}

	private cutStrip(band: Box, strip: Strip, isTurned: boolean, where: string): void {
		let rest: Box | undefined = band;
		for (const column of strip.columns) {
			if (!rest) return void this.wrong.push(`${where}: a column beyond its end`);
			if (Math.abs(rest.x - column.xMm) > EPS) this.wrong.push(`${where}: a column begins elsewhere than the glass`);
			const [pile, right]: [Box, Box | undefined] = this.cut(rest, "w", column.widthMm, where);
			rest = right;
			this.cutColumn(pile, column, isTurned, where);
		}
	}

	private cutColumn(pile: Box, column: Column, isTurned: boolean, where: string): void {
		let rest: Box | undefined = pile;
		for (let k = 0; k < column.stack; k++) {
			if (!rest) return void this.wrong.push(`${where}: a stack higher than its strip`);
			const [piece, over]: [Box, Box | undefined] = this.cut(rest, "h", column.heightMm, where);
			rest = over;
			this.pieces.push(piece);
			this.count(piece, column, isTurned, where);
		}
	}

	/** A cut from edge to edge: what lies before it, and what is left behind the blade. */
	private cut(piece: Box, side: "w" | "h", at: number, where: string): [Box, Box | undefined] {
		const size = piece[side];
		if (at > size + EPS) this.wrong.push(`${where}: a cut at ${at} beyond the edge at ${size}`);
		const before = { ...piece, [side]: at };
		if (Math.abs(size - at) < EPS) return [before, undefined];
		const { kerfMm, leastTrimMm } = this.rules;
		const left = size - at - kerfMm;
		if (left < leastTrimMm - EPS) this.wrong.push(`${where}: ${left.toFixed(3)} mm cannot be broken off`);
		const corner = side === "w" ? "x" : "y";
		return [before, { ...piece, [corner]: piece[corner] + at + kerfMm, [side]: left }];
	}

	/** A piece is what was asked for: as it lies on the sheet itself its width runs along the sheet's, unless it was turned. */
	private count({ w, h }: Box, { blank: index, turned }: Column, isTurned: boolean, where: string): void {
		const blank = this.blanks[index];
		if (!blank) return void this.wrong.push(`${where}: no such blank`);
		this.made[index] = (this.made[index] ?? 0) + 1;
		if (turned && !blank.mayTurn) this.wrong.push(`${where}: ${blank.key} is turned across its streaks`);
		const [width, height] = turned === isTurned ? [w, h] : [h, w];
		const over = [width - blank.widthMm, height - blank.heightMm];
		if (over.some((mm) => mm < -EPS || mm > 0.11)) this.wrong.push(`${where}: ${blank.key} is ${width} × ${height}`);
	}

	private apart(whole: Box, where: string): void {
		const meets = (a: Box, b: Box) =>
			a.x + a.w > b.x + EPS && b.x + b.w > a.x + EPS && a.y + a.h > b.y + EPS && b.y + b.h > a.y + EPS;
		const twice = this.pieces.some((a, i) => this.pieces.slice(i + 1).some((b) => meets(a, b)));
		if (twice) this.wrong.push(`${where}: two pieces in one place`);
		const area = this.pieces.reduce((sum, { w, h }) => sum + w * h, 0);
		if (area > whole.w * whole.h + EPS) this.wrong.push(`${where}: more glass than there was`);
	}
}
