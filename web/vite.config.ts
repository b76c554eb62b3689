import vue from "@vitejs/plugin-vue";
import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  // Nothing inlined as data: addresses, so that the content security policy can stay strict.
  build: {
    outDir: "../plimbo/server/web",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
  },
  test: { globalSetup: "tests/answers.ts" },
  server: { proxy: { "/api": { target: "http://127.0.0.1:8420", changeOrigin: true } } },
});
