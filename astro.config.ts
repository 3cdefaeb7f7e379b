import node from "@astrojs/node";
import react from "@astrojs/react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "astro/config";

export default defineConfig({
	output: "server",
	srcDir: "./web",
	adapter: node({ mode: "standalone" }),
	integrations: [react()],
	devToolbar: { enabled: false },
	session: undefined,
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
		plugins: [tailwindcss()],
		worker: { format: "es" },
		optimizeDeps: { include: ["comlink", "clipper2-ts"] },
	},
});
