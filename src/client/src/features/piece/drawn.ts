import type { ReactNode } from "react";
import { flushSync } from "react-dom";
import { createRoot } from "react-dom/client";

/** A drawing made at once in a host of its own: the sheet that it is on, as a data URL. */
export function drawn(host: Element, drawing: ReactNode, sheetOf: (host: Element) => Element): string {
  const root = createRoot(host);
  flushSync(() => root.render(drawing));
  const text = new XMLSerializer().serializeToString(sheetOf(host));
  root.unmount();
  return `data:image/svg+xml,${encodeURIComponent(text)}`;
}

/** A picture as soon as it can be shown without a blank moment. */
export async function decoded(href: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = href;
  await image.decode();
  return image;
}
