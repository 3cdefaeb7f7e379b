import type { KitDesign } from "@core/kit/kit";
import { expect, it } from "vitest";
import { render } from "vitest-browser-react";
import { FAMILIES, GLASSES, MOULDS } from "../../../demo/studio";
import { cut, kit, square } from "../../../tests/support/kit";
import { star } from "../../../tests/support/star";
import { Halted, SlowReading } from "./panels/halted";
import { useSurvey } from "./use-survey";

const books = {
	glasses: GLASSES,
	families: FAMILIES,
	moulds: MOULDS,
	clearHeightMm: 150,
	pace: { cooling: "usual" as const, warmUp: "usual" as const },
};
const glassId = GLASSES.find(({ form }) => form === "sheet")?.id ?? "";
const plain = kit([cut(square(80), 0, 0, 0, glassId)]);
/** Some seconds of reading, and within the limit. */
const heavy = kit(Array.from({ length: 7 }, (_, i) => cut(star(100, 100, i / 80), i, 0, 0, glassId)));
const endless = kit(Array.from({ length: 40 }, (_, i) => cut(star(100, 100, i / 80), i, 0, 0, glassId)));

function Bench({ design }: { design: KitDesign }) {
	const { survey, reading } = useSurvey(design, books, undefined);
	return (
		<div>
			<output>{survey?.reading.stackCode ?? "nothing"}</output>
			{reading.slow && <SlowReading stop={reading.stop} />}
			{reading.halted && <Halted why={reading.halted} again={reading.again} />}
			<button type="button" onClick={reading.stop}>
				Stop it
			</button>
		</div>
	);
}

it("a kit whose edges cross too often is not read, says so, and shows no figures of the one before", async () => {
	const screen = await render(<Bench design={plain} />);
	await expect.element(screen.getByRole("status")).toHaveTextContent("90 |");
	await screen.rerender(<Bench design={endless} />);
	await expect.element(screen.getByText("cross too often")).toBeVisible();
	await expect.element(screen.getByRole("status")).toHaveTextContent("nothing");
	await screen.rerender(<Bench design={plain} />);
	await expect.element(screen.getByRole("status")).toHaveTextContent("90 |");
	expect(screen.getByText("cross too often").query()).toBeNull();
});

it("a reading that is stopped is over at once, and is read again when asked", async () => {
	const screen = await render(<Bench design={heavy} />);
	await screen.getByRole("button", { name: "Stop it" }).click();
	await expect.element(screen.getByText("was stopped")).toBeVisible();
	await expect.element(screen.getByRole("status")).toHaveTextContent("nothing");
	await screen.rerender(<Bench design={plain} />);
	await expect.element(screen.getByRole("status")).toHaveTextContent("90 |");
	expect(screen.getByText("was stopped").query()).toBeNull();
});
