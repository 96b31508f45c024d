import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import subsetFont from "subset-font";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** The widths and weights of the typeface that styles ask for; others are half of its size. */
const AXES = { wdth: { min: 62.5, max: 100 }, wght: { min: 400, max: 600 } };
const CHARACTERS = String.fromCodePoint(...Array(0x3000).keys());

/** What the page of an address needs beside the program, so that it is read at the same time. */
function ahead(): Plugin {
  const chunks = new Map<string, string>();
  return {
    name: "ahead",
    apply: "build",
    transformIndexHtml: {
      order: "post",
      handler: (_, { bundle = {} }) => {
        for (const file of Object.values(bundle)) {
          if (file.type === "chunk" && file.isDynamicEntry) {
            chunks.set(file.name, `/${file.fileName}`);
          }
        }
        const font = Object.keys(bundle).find((file) =>
          /archivo-latin-standard.*woff2$/.test(file),
        );
        return [
          {
            tag: "link",
            attrs: {
              rel: "preload",
              as: "font",
              type: "font/woff2",
              crossorigin: "",
              href: `/${font}`,
            },
            injectTo: "head-prepend",
          },
          {
            tag: "meta",
            attrs: { name: "places", content: JSON.stringify(Object.fromEntries(chunks)) },
            injectTo: "head-prepend",
          },
        ];
      },
    },
  };
}

/** Narrows the typeface, and packs scripts and styles once, beside themselves; the server hands out what a browser takes. */
function packed(): Plugin {
  let folder = "";
  return {
    name: "packed",
    apply: "build",
    configResolved: (config) => {
      folder = resolve(config.root, config.build.outDir, config.build.assetsDir);
    },
    generateBundle: async (_, bundle) => {
      for (const file of Object.values(bundle)) {
        if (file.type === "asset" && file.fileName.endsWith(".woff2")) {
          const options = { targetFormat: "woff2" as const, variationAxes: AXES };
          file.source = await subsetFont(Buffer.from(file.source), CHARACTERS, options);
        }
      }
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
  plugins: [react(), tailwindcss(), ahead(), packed()],
  build: {
    chunkSizeWarningLimit: 1000,
    // What several places use comes in one piece: a browser asks six files at a time of one host.
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: "shared", minShareCount: 2 }] } },
    },
  },
  // A busy machine is slow, and not wrong.
  test: {
    // One for each core: the default leaves one idle, and half the time of a small machine with it.
    maxWorkers: "100%",
    testTimeout: 30_000,
  },
  // The guide stands beside the front end.
  server: { fs: { allow: [".."] }, proxy: { "/api": "http://127.0.0.1:8117" } },
});
