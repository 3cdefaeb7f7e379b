/** A coefficient and its standard error. */
export interface Fitted {
	value: number;
	error: number;
}

/**
 * y ≈ a·x₁ + b·x₂ without an intercept, by the normal equations; errors from the scatter of the residuals. One column may
 * be all zeros: its coefficient is then unknown (NaN). Undefined with fewer than three rows.
 * Source: any textbook of linear regression, e.g. Draper & Smith, *Applied Regression Analysis*.
 */
export function fitTwo(rows: readonly { x1: number; x2: number; y: number }[]): { a: Fitted; b: Fitted } | undefined {
	if (rows.length < 3) return undefined;
	let [s11, s12, s22, t1, t2, yy] = [0, 0, 0, 0, 0, 0];
	for (const { x1, x2, y } of rows) {
		s11 += x1 * x1;
		s12 += x1 * x2;
		s22 += x2 * x2;
		t1 += x1 * y;
		t2 += x2 * y;
		yy += y * y;
	}
	const unknown: Fitted = { value: Number.NaN, error: Number.NaN };
	const alone = (sxx: number, sxy: number): Fitted => {
		const value = sxy / sxx;
		const scatter = Math.max(0, yy - value * sxy) / (rows.length - 1);
		return { value, error: Math.sqrt(scatter / sxx) };
	};
	if (s11 === 0) return s22 === 0 ? undefined : { a: unknown, b: alone(s22, t2) };
	if (s22 === 0) return { a: alone(s11, t1), b: unknown };
	const determinant = s11 * s22 - s12 * s12;
	if (determinant <= 1e-12 * s11 * s22) return undefined;
	const a = (t1 * s22 - t2 * s12) / determinant;
	const b = (t2 * s11 - t1 * s12) / determinant;
	const scatter = Math.max(0, yy - a * t1 - b * t2) / (rows.length - 2);
	return {
		a: { value: a, error: Math.sqrt((scatter * s22) / determinant) },
		b: { value: b, error: Math.sqrt((scatter * s11) / determinant) },
	};
}
