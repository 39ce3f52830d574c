import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

/** The pad opens without the network: what it is made of is kept by its service worker. */
const pad = VitePWA({
  filename: "pad-worker.js",
  scope: "/pad/",
  injectRegister: false, // src/pad/main.tsx does it
  manifest: false,
  workbox: {
    globPatterns: ["pad.html", "loop.svg", "assets/**/*.{js,css,woff2}"],
    navigateFallback: "/pad.html",
    navigateFallbackAllowlist: [/^\/pad\/(\?|$)/],
    runtimeCaching: [
      {
        // Pictures of tiles, by which children find themselves; nothing of a child is in them.
        urlPattern: /\/api\/tiles\/[^/]+$/,
        handler: "StaleWhileRevalidate",
        options: { cacheName: "tiles" },
      },
    ],
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: true,
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), pad],
  build: { rolldownOptions: { input: ["index.html", "pad.html"] } },
  // While developing, `firstloop serve` answers; in use it serves the built files itself.
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: {
    environment: "happy-dom",
    setupFiles: "src/test/setup.ts",
    // One page for all files, wiped between tests: four times as fast as a page a file.
    isolate: false,
    testTimeout: 20_000, // one that waits has no more to wait for than a slow machine
    coverage: {
      include: ["src/**/*.{ts,tsx}"],
      exclude: ["src/api/schema.d.ts", "src/test/**"],
      reporter: ["text-summary"],
    },
  },
});
