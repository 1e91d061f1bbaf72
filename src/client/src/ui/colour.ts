/** A colour moved towards white (positive) or black (negative), for the light and shade of a drawing. */
export function shade(srgb: string, by: number): string {
  const target = by > 0 ? 255 : 0;
  const mixed = [1, 3, 5].map((at) => {
    const value = parseInt(srgb.slice(at, at + 2), 16);
    return Math.round(value + (target - value) * Math.abs(by));
  });
  return `rgb(${mixed.join(" ")})`;
}

/** Repeatable chance: the same seed gives the same row of numbers between 0 and 1. */
export function chance(seed: number): () => number {
  let a = (seed * 0x9e3779b9) >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** The ink that is read best on a colour: by its luminance, as WCAG 2.2 defines it. */
export function inkOn(srgb: string): string {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const v = parseInt(srgb.slice(at, at + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  });
  const luminance = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  // Between the two only black keeps a contrast of 4.5 to 1.
  return luminance > 0.23 ? "#2b1810" : luminance > 0.18 ? "#000000" : "#ffffff";
}
