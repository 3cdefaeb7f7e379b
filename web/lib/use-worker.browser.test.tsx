import { expose } from "comlink";
import { expect, it } from "vitest";
import { render } from "vitest-browser-react";
import { askOnce, type Search, useSearch, useWorker } from "./use-worker";

/** A thread that is none: what it is asked runs here, over a channel like a worker's. */
function threads<Api>(api: Api) {
	let [begun, ended] = [0, 0];
	const make = () => {
		begun++;
		const { port1, port2 } = new MessageChannel();
		expose(api, port1);
		port2.start();
		return Object.assign(port2, {
			terminate() {
				ended++;
				port1.close();
			},
		}) as unknown as Worker;
	};
	return { make, counts: () => ({ begun, ended }) };
}

const adder = { add: (a: number, b: number) => a + b, never: () => new Promise<number>(() => {}) };

interface Given<Seen> {
	make(): Worker;
	onRender(seen: Seen): void;
}

function Asking({ make, onRender }: Given<ReturnType<typeof useWorker<typeof adder>>>) {
	onRender(useWorker<typeof adder>(make));
	return null;
}

type Tell = (found: string | undefined, share: number) => void;

function Searching({
	of,
	make,
	onBegin,
	onRender,
}: Given<Search<string>> & { of: string | null; onBegin(tell: Tell): void }) {
	const search = useSearch<typeof adder, string>(make, of, (ask, tell) => {
		onBegin(tell);
		return ask((remote) => remote.never());
	});
	onRender(search);
	return <p>{`${search.found ?? "nothing"} ${search.share}`}</p>;
}

it("one question: the thread ends after its answer", async () => {
	const { make, counts } = threads(adder);
	expect(await askOnce<typeof adder, number>(make, (remote) => remote.add(2, 3))).toBe(5);
	expect(counts()).toEqual({ begun: 1, ended: 1 });
});

it("a worker is begun when it is first asked, and anew after it was ended; what it had not answered is undefined", async () => {
	const { make, counts } = threads(adder);
	const seen: { worker?: ReturnType<typeof useWorker<typeof adder>> } = {};
	const { unmount } = await render(<Asking make={make} onRender={(worker) => Object.assign(seen, { worker })} />);
	const { worker } = seen;
	expect(counts().begun).toBe(0);
	expect(await worker?.ask((remote) => remote.add(1, 1))).toBe(2);
	const open = worker?.ask((remote) => remote.never());
	worker?.end();
	expect(await open).toBeUndefined();
	expect(await worker?.ask((remote) => remote.add(2, 2))).toBe(4);
	await unmount();
	expect(counts()).toEqual({ begun: 2, ended: 2 });
});

it("a search: what is found is its key's only, it goes until its stop, and not at all without a key", async () => {
	const { make, counts } = threads(adder);
	let seen: Search<string> | undefined;
	const tells: Tell[] = [];
	const given = {
		make,
		onBegin: (tell: Tell) => tells.push(tell),
		onRender: (search: Search<string>) => {
			seen = search;
		},
	};
	const screen = await render(<Searching of={null} {...given} />);
	const says = (words: string) => expect.element(screen.getByText(words)).toBeInTheDocument();
	await says("nothing 1");
	expect(counts().begun).toBe(0);
	await screen.rerender(<Searching of="first" {...given} />);
	await says("nothing 0");
	tells[0]?.("one", 0.4);
	await says("one 0.4");
	// Without a find the share alone goes on.
	tells[0]?.(undefined, 0.6);
	await says("one 0.6");
	await screen.rerender(<Searching of="second" {...given} />);
	await says("nothing 0");
	tells[0]?.("late", 1);
	tells[1]?.("two", 0.5);
	await says("two 0.5");
	seen?.stop();
	await says("two 1");
	expect(counts()).toEqual({ begun: 2, ended: 2 });
});
