import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { outDir: "dist", chunkSizeWarningLimit: 900 },
  // One window for all files: each test clears up after itself, and a window of its own costs five times the tests.
  test: { isolate: false },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
});
