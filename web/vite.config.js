import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  base: "/static/",
  plugins: [react()],
  html: { cspNonce: "__NONCE__" },
  css: { modules: { localsConvention: "camelCaseOnly" } },
  build: { outDir: "dist", assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
