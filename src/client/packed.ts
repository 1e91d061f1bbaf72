import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync } from "node:zlib";
import type { Plugin } from "vite";

/** Lays beside every script and style sheet a packed copy (Brotli), smaller than a server could pack it while somebody waits. */
export function packed(): Plugin {
  return {
    name: "packed",
    apply: "build",
    writeBundle({ dir = "" }) {
      const assets = join(dir, "assets");
      for (const file of readdirSync(assets).filter((name) => /\.(js|css)$/.test(name)))
        writeFileSync(join(assets, `${file}.br`), brotliCompressSync(readFileSync(join(assets, file))));
    },
  };
}
