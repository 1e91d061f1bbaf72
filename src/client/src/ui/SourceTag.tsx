import type { Source } from "../api/client";

/** How well something is known, in small; of a publication, which. */
export const SourceTag = ({ source }: { source: Source }) => (
  <span className="text-ink2 text-[13px] italic" title={source.text}>
    {source.tag === "published" ? source.text : source.tag}
  </span>
);
