import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  // While developing, `firstloop serve` answers; in use it serves the built files itself.
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: {
    environment: "happy-dom",
    setupFiles: "src/test/setup.ts",
    // One page for all files, wiped between tests: four times as fast as a page a file.
    isolate: false,
    coverage: {
      include: ["src/**/*.{ts,tsx}"],
      exclude: ["src/api/schema.d.ts", "src/test/**"],
      reporter: ["text-summary"],
    },
  },
});
