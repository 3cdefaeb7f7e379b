import { useState } from "react";
import { describe, expect, it } from "vitest";
import { render } from "vitest-browser-react";
import { useDrag } from "./use-drag";

function Sliding() {
	const [kept, setKept] = useState(0);
	const [shown, setShown] = useState(0);
	const drag = useDrag<{ from: number; at: number }>({
		move(grip, event) {
			grip.at = event.clientX;
			setShown(kept + grip.at - grip.from);
		},
		drop: ({ from, at }) => setKept(kept + at - from),
		giveUp: () => setShown(kept),
	});
	return (
		<>
			<button type="button" {...drag(({ clientX }) => ({ from: clientX, at: clientX }))}>
				grip
			</button>
			<output>
				{shown} shown, {kept} kept
			</output>
		</>
	);
}

describe("one pointer's drag", () => {
	const sliding = async () => {
		const screen = await render(<Sliding />);
		const grip = screen.getByRole("button").element() as HTMLElement;
		grip.setPointerCapture = () => {};
		const does = (type: string, clientX: number, pointerId = 1) =>
			grip.dispatchEvent(new PointerEvent(type, { bubbles: true, clientX, pointerId, button: 0 }));
		const says = (words: string) => expect.element(screen.getByRole("status")).toHaveTextContent(words);
		return { does, says };
	};

	it("is kept where it is let go", async () => {
		const { does, says } = await sliding();
		does("pointerdown", 10);
		does("pointermove", 35);
		await says("25 shown, 0 kept");
		does("pointerup", 35);
		await says("25 shown, 25 kept");
		does("pointermove", 60);
		await says("25 shown, 25 kept");
	});

	it("that is taken away keeps nothing", async () => {
		const { does, says } = await sliding();
		does("pointerdown", 10);
		does("pointermove", 90);
		await says("80 shown, 0 kept");
		does("pointercancel", 90);
		await says("0 shown, 0 kept");
	});

	it("is no second finger's business", async () => {
		const { does, says } = await sliding();
		does("pointerdown", 10);
		does("pointerdown", 500, 2);
		does("pointermove", 700, 2);
		does("pointerup", 700, 2);
		await says("0 shown, 0 kept");
		does("pointermove", 14);
		does("pointerup", 14);
		await says("4 shown, 4 kept");
	});
});
