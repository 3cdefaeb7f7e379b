// Loaded before a process under test: its Date is the test's to hold and to step. Until it is held, it runs as usual.
let heldMs;
const nowMs = () => heldMs ?? RealDate.now();
const RealDate = Date;

globalThis.Date = new Proxy(RealDate, {
	construct: (target, args, made) => Reflect.construct(target, args.length === 0 ? [nowMs()] : args, made),
	apply: () => new RealDate(nowMs()).toString(),
	get: (target, name) => (name === "now" ? nowMs : Reflect.get(target, name)),
});

process.on("message", (message) => {
	if (typeof message?.clockMs !== "number") return;
	heldMs = message.clockMs;
	process.send?.({ clockIsMs: heldMs });
});
