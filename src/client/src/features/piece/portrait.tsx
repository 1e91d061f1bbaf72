import { flushSync } from "react-dom";
import { createRoot } from "react-dom/client";
import type { OrderLine, Reference, Tally } from "../../api/client";
import { PiecePicture } from "./PiecePicture";
import { pieceOf, type PieceLook } from "./points";

const side = 168;

/** Each line's piece as a small picture that stands anywhere, without what draws it; empty where it cannot be drawn. */
export function portraits(reference: Reference, lines: OrderLine[], tally: Tally): Promise<string[]> {
  const looks = tally.lines.map((computed) => {
    const line = lines[computed.line];
    return line && pieceOf(reference, line, computed);
  });
  return Promise.all(looks.map(portrait));
}

/** As a data URL. */
async function portrait(look: PieceLook | undefined): Promise<string> {
  if (!look || look.centre.figure) return "";
  const host = document.createElement("div");
  const root = createRoot(host);
  flushSync(() => root.render(<PiecePicture look={look} />));
  const sheet = host.querySelector("svg") as SVGSVGElement;
  const { width, height } = sheet.viewBox.baseVal;
  const by = side / Math.max(width, height);
  sheet.setAttribute("width", `${Math.round(width * by)}`);
  sheet.setAttribute("height", `${Math.round(height * by)}`);
  const image = new Image();
  image.src = `data:image/svg+xml,${encodeURIComponent(new XMLSerializer().serializeToString(sheet))}`;
  root.unmount();
  await image.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [image.width, image.height];
  canvas.getContext("2d")?.drawImage(image, 0, 0);
  // Where a browser cannot write the smaller kind it writes PNG.
  return canvas.toDataURL("image/webp", 0.85);
}
