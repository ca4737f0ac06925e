import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA, type VitePWAOptions } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

/** Seconds that an answer is waited for before the one read last is shown. */
const PATIENCE_S = 5;
/** Answers kept for a time without a connection: a class's coupons with their cards, a few times over. */
const MAX_ANSWERS = 400;
const MONTH_S = 30 * 24 * 3600;

/** The page as an app: it opens without a connection, with what was read last; what is sent is the outbox's. */
const app: Partial<VitePWAOptions> = {
  injectRegister: false,
  // A new version waits until the page is opened anew: what is typed, and the old version's files, stay.
  registerType: "prompt",
  manifest: {
    name: "Judicum",
    short_name: "Judicum",
    description: "Coupons, setup cards, logs and bead photos of a TIG welding course",
    display: "standalone",
    start_url: "/",
    background_color: "#1d232a",
    theme_color: "#1d232a",
    icons: [
      { src: "/mark.svg", sizes: "any", type: "image/svg+xml", purpose: "any" },
      { src: "/mark-512.png", sizes: "512x512", type: "image/png", purpose: "any" },
      { src: "/mark-192.png", sizes: "192x192", type: "image/png", purpose: "any" },
    ],
  },
  workbox: {
    globPatterns: ["**/*.{html,js,css,svg,woff2}"],
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/(api|health|ready|metrics|admin)/],
    clientsClaim: true,
    runtimeCaching: [
      {
        urlPattern: ({ url, sameOrigin }) =>
          sameOrigin && url.pathname.startsWith("/api/") && !/\.(pdf|zip|csv|ics)$/.test(url.pathname),
        handler: "NetworkFirst",
        options: {
          cacheName: "answers",
          networkTimeoutSeconds: PATIENCE_S,
          expiration: { maxEntries: MAX_ANSWERS, maxAgeSeconds: MONTH_S },
          plugins: [
            {
              // An answer whose line broke after its head would stand for good in the place of the one before.
              cacheWillUpdate: async ({ response }) => {
                if (response.status !== 200) return null;
                const whole = await response
                  .clone()
                  .blob()
                  .then((body: Blob) => body.size > 0)
                  .catch(() => false);
                return whole ? response : null;
              },
            },
          ],
        },
      },
    ],
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), VitePWA(app)],
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
