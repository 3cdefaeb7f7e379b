import { fileURLToPath } from "node:url";
import node from "@astrojs/node";
import react from "@astrojs/react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "astro/config";

/** Workers are bundled apart and need the aliases said again. */
const alias = Object.fromEntries(
	["core", "contract", "formats", "db", "server", "standins", "web"].map((name) => [
		`@${name}`,
		fileURLToPath(new URL(name, import.meta.url)),
	]),
);

export default defineConfig({
	output: "server",
	srcDir: "./web",
	adapter: node({ mode: "middleware" }),
	integrations: [react()],
	devToolbar: { enabled: false },
	session: undefined,
	// web/middleware.ts holds every request that changes something against the public address; this one knows another.
	security: { checkOrigin: false },
	experimental: {
		csp: {
			algorithm: "SHA-256",
			directives: [
				"default-src 'self'",
				"img-src 'self' blob: data:",
				"font-src 'self'",
				"connect-src 'self'",
				"worker-src 'self'",
				"object-src 'none'",
				"base-uri 'none'",
				"form-action 'self'",
				"frame-ancestors 'none'",
			],
		},
	},
	vite: {
		resolve: { alias },
		plugins: [tailwindcss()],
		build: {
			assetsInlineLimit: 0,
			// A file of a hundred bytes costs three times that to ask for: such go along with who imports them.
			rollupOptions: { output: { experimentalMinChunkSize: 1000 } },
		},
		worker: { format: "es" },
		optimizeDeps: { include: ["comlink", "clipper2-ts"] },
	},
});
