import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** Packs scripts and styles once, beside themselves; the server hands out what a browser takes. */
function packed(): Plugin {
  let folder = "";
  return {
    name: "packed",
    apply: "build",
    configResolved: (config) => {
      folder = resolve(config.root, config.build.outDir, config.build.assetsDir);
    },
    closeBundle: () => {
      for (const name of readdirSync(folder).filter((file) => /\.(js|css)$/.test(file))) {
        const file = join(folder, name);
        const content = readFileSync(file);
        writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
        writeFileSync(`${file}.br`, brotliCompressSync(content));
      }
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), packed()],
  build: { chunkSizeWarningLimit: 1000 },
  // A busy machine is slow, and not wrong.
  test: { testTimeout: 30_000 },
  // The guide stands beside the front end.
  server: { fs: { allow: [".."] }, proxy: { "/api": "http://127.0.0.1:8117" } },
});
