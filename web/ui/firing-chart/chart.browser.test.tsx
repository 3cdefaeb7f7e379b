import { describe, expect, it } from "vitest";
import { render } from "vitest-browser-react";
import { PrefsProvider, readPrefs } from "../../lib/prefs";
import { FiringChart } from "./firing-chart";
import type { ChartStrip, CurveSeries } from "./series";

const series: CurveSeries[] = [
	{
		name: "plan",
		kind: "plan",
		points: [
			{ s: 0, c: 20 },
			{ s: 36_000, c: 520 },
		],
	},
	{
		name: "kiln",
		kind: "measured",
		points: [
			{ s: 0, c: 21 },
			{ s: 18_000, c: 271 },
		],
	},
];
const strips: ChartStrip[] = [
	{
		name: "tension passing through",
		points: [
			{ s: 0, v: 1 },
			{ s: 36_000, v: 3 },
		],
		unit: "MPa",
		scale: "linear",
		from: 0,
		to: 12,
		lines: [],
		digits: 1,
	},
];
const chart = () =>
	render(
		<PrefsProvider initial={readPrefs(undefined)} timeZone="UTC" now={new Date().toISOString()}>
			<div style={{ width: 700 }}>
				<FiringChart width={700} height={240} series={series} strips={strips} summary="a firing" />
			</div>
		</PrefsProvider>,
	);

describe("the firing chart", () => {
	it("has a table of the same figures, made when somebody opens it", async () => {
		const screen = await chart();
		expect(screen.container.querySelector("table")).toBeNull();
		await screen.getByText("figures as a table").click();
		await expect.element(screen.getByRole("columnheader", { name: "tension passing through, MPa" })).toBeVisible();
		// Straight between its points: after 4 h of 10 the plan is at 20 + 0.4 · 500, the tension at 1 + 0.4 · 2.
		await expect.element(screen.getByRole("row", { name: "4 h" })).toHaveTextContent("4 h220 °C221 °C1.8");
		// Where nothing was measured stands nothing.
		await expect.element(screen.getByRole("row", { name: "8 h" })).toHaveTextContent("8 h420 °C2.6");
	});

	it("says the figures of every line under the pointer, and nothing once it has left", async () => {
		const screen = await chart();
		const svg = screen.getByRole("img", { name: "a firing" });
		const drawing = svg.element();
		const { left, width } = drawing.getBoundingClientRect();
		// Four hours of ten, between the edges of the curve at 44 and 690 of 700.
		const clientX = left + ((44 + 0.4 * 646) / 700) * width;
		drawing.dispatchEvent(new PointerEvent("pointermove", { clientX, bubbles: true }));
		for (const words of ["plan 220 °C", "kiln 221 °C", "1.8 MPa"])
			await expect.element(screen.getByText(words)).toBeVisible();
		drawing.dispatchEvent(new PointerEvent("pointerleave"));
		await expect.element(screen.getByText("plan 220 °C")).not.toBeInTheDocument();
	});
});
