import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

const PAGE = "/";
const WAITS_FOR_THE_SERVER_S = 3;

/** One document serves every address: it is kept once, whatever address it was fetched for. */
const oneDocument = { cacheKeyWillBeUsed: async () => "/" };

/** What the server says and asks, in a word: what was kept by a page that knew another is let go. */
const api = createHash("sha256").update(readFileSync("src/api/openapi.json")).digest("hex").slice(0, 16);

export default defineConfig({
  base: "/static/",
  define: { __API__: JSON.stringify(api) },
  plugins: [
    react(),
    VitePWA({
      filename: "sw.js",
      scope: PAGE,
      injectRegister: null,
      // an open page goes on with what it was opened with; the next one that is opened is the new one
      registerType: "prompt",
      // it lies in public/, beside the icons that it names
      manifest: false,
      workbox: {
        globPatterns: ["assets/**/*", "*.{svg,png}"],
        // the built document has a place for a nonce, which the server fills
        globIgnores: ["index.html"],
        // the worker lies at the root, what it keeps among the static files
        modifyURLPrefix: { "": "/static/" },
        navigateFallback: null,
        inlineWorkboxRuntime: true,
        sourcemap: false,
        maximumFileSizeToCacheInBytes: 4_000_000,
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === "navigate",
            handler: "NetworkFirst",
            options: {
              cacheName: "page",
              networkTimeoutSeconds: WAITS_FOR_THE_SERVER_S,
              plugins: [oneDocument],
            },
          },
        ],
      },
    }),
  ],
  html: { cspNonce: "__NONCE__" },
  css: { modules: { localsConvention: "camelCaseOnly" } },
  build: { outDir: "dist", assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
