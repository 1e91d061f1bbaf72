import { useEffect, useState } from "react";
import { decoded, drawn } from "./drawn";
import { Piece } from "./Piece";
import { overhang, type PieceLook } from "./points";

/** A piece drawn once, and where the drawing lies from the piece's own origin, in mm. */
export interface Picture {
  href: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

// What is on a piece may stand out from it, and its shadow lies beside it.
const around = 14;
const svg = "http://www.w3.org/2000/svg";

// Pictures of the looks that were last on a tray, by look and variant; also those that are being drawn, as a line may lie on two trays.
const known = new Map<string, Promise<Picture>>();
const mostKnown = 60;

/**
 * A look's piece in several variants, as pictures: a tray of a hundred pieces is a hundred elements to the browser then, and not ten
 * thousand. Until those of a new look are there, those before stay up.
 */
export function usePictures(look: PieceLook | undefined, seed: number, variants: number): Picture[] {
  const [pictures, setPictures] = useState<Picture[]>([]);
  useEffect(() => {
    let wanted = true;
    const drawAll = async (look: PieceLook) => {
      const text = JSON.stringify(look);
      const drawn: Picture[] = [];
      for (let v = 0; wanted && v < variants; v++) drawn.push(await pictureOf(look, text, seed + v));
      if (wanted) setPictures(drawn);
    };
    if (look) void drawAll(look);
    return () => {
      wanted = false;
    };
  }, [look, seed, variants]);
  return pictures;
}

function pictureOf(look: PieceLook, text: string, seed: number): Promise<Picture> {
  const key = `${seed} ${text}`;
  const there = known.get(key);
  if (there) return there;
  const oldest = known.keys().next();
  if (known.size >= mostKnown && !oldest.done) known.delete(oldest.value);
  const picture = draw(look, seed);
  // One that came to grief is drawn anew when it is next asked for.
  picture.catch(() => known.delete(key));
  known.set(key, picture);
  return picture;
}

async function draw(look: PieceLook, seed: number): Promise<Picture> {
  // Figures that are waiting to be shown go first.
  await new Promise((resume) => setTimeout(resume));
  const picture = drawing(look, seed);
  await decoded(picture.href);
  return picture;
}

function drawing(look: PieceLook, seed: number): Picture {
  const { width, length } = look.size;
  const top = around + overhang({ centre: look.centre, stick: look.stick });
  const box = { x: -width / 2 - around, y: -top, width: width + 2 * around, height: top + length + around };
  const sheet = document.createElementNS(svg, "svg");
  sheet.setAttribute("viewBox", `${box.x} ${box.y} ${box.width} ${box.height}`);
  // Without a size of its own a picture is as large as some browsers please.
  sheet.setAttribute("width", `${box.width}`);
  sheet.setAttribute("height", `${box.height}`);
  return { href: drawn(sheet, <Piece look={look} seed={seed} />, () => sheet), ...box };
}
