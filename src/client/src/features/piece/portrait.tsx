import type { OrderLine, Reference, Tally } from "../../api/client";
import { decoded, drawn } from "./drawn";
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
  const image = await decoded(drawn(document.createElement("div"), <PiecePicture look={look} />, sized));
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [image.width, image.height];
  canvas.getContext("2d")?.drawImage(image, 0, 0);
  // Where a browser cannot write the smaller kind it writes PNG.
  return canvas.toDataURL("image/webp", 0.85);
}

/** The sheet that was drawn, as large as a portrait is. */
function sized(host: Element): Element {
  const sheet = host.firstElementChild as SVGSVGElement;
  const { width, height } = sheet.viewBox.baseVal;
  const by = side / Math.max(width, height);
  sheet.setAttribute("width", `${Math.round(width * by)}`);
  sheet.setAttribute("height", `${Math.round(height * by)}`);
  return sheet;
}
