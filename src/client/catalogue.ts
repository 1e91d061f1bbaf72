import { readFileSync } from "node:fs";
import type { Plugin } from "vite";

const call = /\bsay\(\s*(?:"([^"]+)"|(?=[^)]))/g;

/**
 * Puts the sentences of the catalogue where they are said, so that a page carries its own and no others: `say("ui.close")` is built as
 * `say("Close")`. What is not in the catalogue, or is not a plain key, does not build.
 */
export function catalogue(path: string): Plugin {
  let sentences: Record<string, string> = {};
  return {
    name: "catalogue",
    enforce: "pre",
    buildStart() {
      sentences = JSON.parse(readFileSync(path, "utf8")) as Record<string, string>;
      this.addWatchFile(path);
    },
    transform: {
      filter: { id: { include: /\.tsx?$/, exclude: /\/wording\// } },
      handler(code) {
        return code.replace(call, (_, key?: string) => {
          const sentence = key === undefined ? undefined : sentences[key];
          if (sentence === undefined) return this.error(`say(${key ?? "…"}) is not a key of the catalogue.`);
          return `say(${JSON.stringify(sentence)}`;
        });
      },
    },
  };
}
