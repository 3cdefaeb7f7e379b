import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";

let folder = "";
beforeAll(() => {
	folder = mkdtempSync(join(tmpdir(), "zephyr-install-"));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs one function of install.sh in the folder; nothing listens on the registry's port. */
const install = (call: string, path = process.env.PATH ?? "") =>
	spawnSync("bash", ["-c", `. "${resolve("scripts/install.sh")}"; ${call}`], {
		cwd: folder,
		encoding: "utf8",
		env: {
			...process.env,
			PATH: path,
			npm_config_registry: "http://127.0.0.1:9",
			npm_config_cache: join(folder, "cache"),
			npm_config_fetch_retries: "0",
		},
	});

describe("what a machine says that cannot be installed on", () => {
	it("a registry that does not answer is one sentence that says what to do", () => {
		writeFileSync(join(folder, "package.json"), JSON.stringify({ name: "one", dependencies: { beside: "1.0.0" } }));
		const beside = { version: "1.0.0", resolved: "http://127.0.0.1:9/beside.tgz", integrity: "sha512-AAAA" };
		const packages = { "": { name: "one", dependencies: { beside: "1.0.0" } }, "node_modules/beside": beside };
		writeFileSync(join(folder, "package-lock.json"), JSON.stringify({ name: "one", lockfileVersion: 3, packages }));
		const { status, stderr } = install("need_npm");
		expect(status).toBe(1);
		expect(stderr.trim().split("\n")).toEqual([
			"The npm registry did not answer; see that this machine reaches it (npm ping), then run this again.",
		]);
	});

	it("a lock that does not fit is one sentence, and the lock is left as it is", () => {
		const lock = readFileSync("package-lock.json", "utf8");
		mkdirSync(join(folder, "beside"));
		writeFileSync(join(folder, "beside", "package.json"), JSON.stringify({ name: "beside", version: "1.0.0" }));
		writeFileSync(
			join(folder, "package.json"),
			JSON.stringify({ name: "other", dependencies: { beside: "file:beside" } }),
		);
		writeFileSync(join(folder, "package-lock.json"), lock);
		const { status, stderr } = install("need_npm");
		expect(status).toBe(1);
		expect(stderr.trim()).toBe(
			"package-lock.json does not fit package.json: run npm install --package-lock-only and commit the lock.",
		);
		expect(readFileSync(join(folder, "package-lock.json"), "utf8")).toBe(lock);
	});

	it("a Debian package that cannot be fetched is one sentence with apt's own reason", () => {
		const bin = join(folder, "bin");
		mkdirSync(bin);
		writeFileSync(join(bin, "apt-get"), "#!/bin/sh\necho 'E: Unable to fetch some archives' >&2\nexit 100\n", {
			mode: 0o755,
		});
		writeFileSync(join(bin, "sudo"), '#!/bin/sh\nexec "$@"\n', { mode: 0o755 });
		const { status, stderr } = install("need_debian /nowhere/initdb postgresql", `${bin}:${process.env.PATH}`);
		expect(status).toBe(1);
		expect(stderr.trim()).toBe(
			"postgresql could not be installed from Debian (Unable to fetch some archives); see that this machine reaches its Debian mirror, then run this again.",
		);
	});
});

describe("package-lock.json", () => {
	it("names every optional package that its packages ask for, so that npm ci works on any platform", () => {
		const { packages } = JSON.parse(readFileSync("package-lock.json", "utf8")) as {
			packages: Record<string, { optionalDependencies?: Record<string, string> }>;
		};
		/** As Node looks a package up: beside the asking one, then in the folders above it. */
		const isThere = (from: string, name: string): boolean => {
			for (let at = from; ; at = at.slice(0, Math.max(0, at.lastIndexOf("/node_modules/")))) {
				if (packages[at === "" ? `node_modules/${name}` : `${at}/node_modules/${name}`]) return true;
				if (at === "") return false;
				if (!at.includes("/node_modules/")) at = "/node_modules/";
			}
		};
		const missing = Object.entries(packages).flatMap(([path, { optionalDependencies }]) =>
			Object.keys(optionalDependencies ?? {})
				.filter((name) => !isThere(path, name))
				.map((name) => `${path} asks for ${name}`),
		);
		expect(missing).toEqual([]);
	});
});
