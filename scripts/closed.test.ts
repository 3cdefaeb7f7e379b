import { createServer, request, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { countBody, isClosed } from "./closed";

let server: Server;
let read = 0;
beforeAll(async () => {
	server = createServer((asked, response) => {
		if (isClosed(asked.url ?? "")) return void response.writeHead(404).end();
		if (!countBody(asked, response)) return;
		asked.on("error", () => {});
		asked.on("data", (chunk: Buffer) => {
			read += chunk.length;
		});
		asked.on("end", () => response.end("read"));
	});
	await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
});
afterAll(() => server.close());

/** Sends a body in chunks whose length nobody is told beforehand. */
async function send(path: string, megabytes: number): Promise<number | "cut off"> {
	read = 0;
	const { port } = server.address() as AddressInfo;
	return new Promise((done) => {
		const asking = request({ host: "127.0.0.1", port, path, method: "POST" }, (answer) => {
			answer.resume();
			done(answer.statusCode ?? 0);
		});
		asking.on("error", () => done("cut off"));
		const chunk = Buffer.alloc(1024 * 1024);
		let left = megabytes;
		const more = () => {
			if (left-- <= 0) return void asking.end();
			if (asking.write(chunk)) setImmediate(more);
			else asking.once("drain", more);
		};
		more();
	});
}

describe("bodies, counted before anything reads them", () => {
	it.each([
		["/api/do/importKilnLog", 16, 200],
		["/sign-in", 0, 200],
	])("%s may send %d MB", async (path, megabytes, status) => expect(await send(path, megabytes)).toBe(status));

	it.each([
		["/api/do/importKilnLog", 60],
		["/kits", 5],
	])("%s may not send %d MB: not read to its end", async (path, megabytes) => {
		expect([413, "cut off"]).toContain(await send(path, megabytes));
		expect(read).toBeLessThan(25 * 1024 * 1024);
	});
});

describe("what the framework would serve by itself", () => {
	it.each([
		"/_server-islands/x",
		"/_server-islands",
		"/%5fserver-islands/Frame?e=1",
		"//_server-islands/x",
		"/./_image",
		"/_image/",
		"/_image/x?href=http://127.0.0.1/",
		"/_IMAGE",
	])("%s is closed", (address) => expect(isClosed(address)).toBe(true));

	it.each(["/", "/kits", "/_astro/page.js", "/api/do/judge", "/kits/_image", "/%E0%A4%A"])("%s is not", (address) =>
		expect(isClosed(address)).toBe(false),
	);
});
