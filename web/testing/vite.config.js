import { defineConfig } from "vite";

/** The draft machine by itself, as tests drive it in a browser. */
export default defineConfig({
  publicDir: false,
  define: { "process.env.NODE_ENV": JSON.stringify("production") },
  build: {
    outDir: "../var/draft",
    emptyOutDir: true,
    minify: false,
    lib: { entry: "testing/draft.ts", formats: ["es"], fileName: "draft" },
    rolldownOptions: { output: { codeSplitting: false } },
  },
});
