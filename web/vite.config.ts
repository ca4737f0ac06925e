import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { outDir: "dist", chunkSizeWarningLimit: 900 },
  // One window for all files: each test clears up after itself, and a window of its own costs five times the tests.
  // A minute is for machines that compile and drive browsers beside it; a test takes a second at most.
  test: { isolate: false, setupFiles: ["src/testing/setup.ts"], testTimeout: 60_000 },
  // `./judicum dev` says where the server is; the page itself stays with Vite.
  server: {
    // The catalogue's files lie with the server's words.
    fs: { allow: [".."] },
    proxy: Object.fromEntries(
      ["/api", "/health", "/ready"].map((path) => [
        path,
        process.env.JUDICUM_DEV_SERVER ?? "http://127.0.0.1:8000",
      ]),
    ),
  },
});
