import vue from "@vitejs/plugin-vue";
import { fileURLToPath } from "node:url";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** Lets the browser fetch the main place in parallel with the entry. */
const preloadMainPlace: Plugin = {
  name: "preload-main-place",
  transformIndexHtml: {
    order: "post",
    handler(_html, { bundle = {} }) {
      const chunks = Object.values(bundle).filter((file) => file.type === "chunk");
      const place = chunks.find((chunk) => chunk.facadeModuleId?.endsWith("/ChainPlace.vue"));
      const entry = chunks.find((chunk) => chunk.isEntry);
      if (!place || !entry) return [];
      const fetched = new Set([entry.fileName, ...entry.imports]);
      const wanted = [place.fileName, ...place.imports].filter((name) => !fetched.has(name));
      const styles = chunks
        .filter((chunk) => wanted.includes(chunk.fileName))
        .flatMap((chunk) => [...(chunk.viteMetadata?.importedCss ?? [])]);
      return [
        ...wanted.map((name) => ({ rel: "modulepreload", href: `/${name}` })),
        ...styles.map((name) => ({ rel: "preload", as: "style", href: `/${name}` })),
      ].map((attrs) => ({ tag: "link", attrs: { crossorigin: true, ...attrs }, injectTo: "head" as const }));
    },
  },
};

export default defineConfig({
  plugins: [vue(), preloadMainPlace],
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
