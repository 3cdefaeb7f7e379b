import { useState } from "react";
import { describe, expect, it } from "vitest";
import { userEvent } from "vitest/browser";
import { render } from "vitest-browser-react";
import { useKeys } from "./use-keys";

function Counting() {
	const [count, setCount] = useState(0);
	const [kept, setKept] = useState("nothing");
	useKeys({ a: () => setCount(count + 1), "ctrl+z": () => setCount(count - 1), x: () => false });
	useKeys({ "ctrl+s": () => setKept(`kept ${count}`) }, { whileTyping: true });
	return (
		<>
			<output>{count}</output>
			<p>{kept}</p>
			<input aria-label="Words" />
			<dialog>a dialog</dialog>
		</>
	);
}

describe("keys of a page", () => {
	it("do what they mean now, not what they meant when the page came", async () => {
		const screen = await render(<Counting />);
		await userEvent.keyboard("aaa");
		await expect.element(screen.getByRole("status")).toHaveTextContent("3");
		await userEvent.keyboard("{Control>}z{/Control}");
		await expect.element(screen.getByRole("status")).toHaveTextContent("2");
	});

	it("are letters while somebody types, but for those that are said to work there", async () => {
		const screen = await render(<Counting />);
		await screen.getByLabelText("Words").click();
		await userEvent.keyboard("aa{Control>}s{/Control}");
		await expect.element(screen.getByLabelText("Words")).toHaveValue("aa");
		await expect.element(screen.getByRole("status")).toHaveTextContent("0");
		await expect.element(screen.getByText("kept 0")).toBeVisible();
	});

	it("mean nothing where something else has taken them, or lies over the page", async () => {
		const screen = await render(
			<>
				<Counting />
				<button type="button" onKeyDown={(event) => event.preventDefault()}>
					takes keys
				</button>
			</>,
		);
		(screen.getByRole("button").element() as HTMLElement).focus();
		await userEvent.keyboard("aa");
		await expect.element(screen.getByRole("status")).toHaveTextContent("0");
		(screen.getByRole("button").element() as HTMLElement).blur();
		const popover = document.createElement("div");
		popover.setAttribute("role", "dialog");
		document.body.append(popover);
		await userEvent.keyboard("aa");
		popover.remove();
		await expect.element(screen.getByRole("status")).toHaveTextContent("0");
	});

	it("mean nothing under an open dialog", async () => {
		const screen = await render(<Counting />);
		screen.container.querySelector("dialog")?.showModal();
		await userEvent.keyboard("aa");
		screen.container.querySelector("dialog")?.close();
		await expect.element(screen.getByRole("status")).toHaveTextContent("0");
	});
});
