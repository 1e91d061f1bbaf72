import { Link } from "wouter";
import type { Source } from "../api/client";

/** What the handbook says of a source: where it is named, it is found by its first words. */
export const handbookOf = (source: Source) =>
  `/handbook?find=${encodeURIComponent(source.text.split(/[,;:(]/)[0]?.trim() ?? source.tag)}`;

const said = (source: Source) => (source.tag === "published" ? source.text : source.tag);

/** How well something is known, in small; of a publication, which. It leads to the handbook. */
export const SourceTag = ({ source }: { source: Source }) => (
  <Link
    to={handbookOf(source)}
    className="text-ink2 hover:text-act text-[13px] italic decoration-dotted hover:underline"
    title={source.text}
  >
    {said(source)}
  </Link>
);

/** The same where it is in the handbook already. */
export const SourceWords = ({ source }: { source: Source }) => (
  <span className="text-ink2 text-[13px] italic" title={source.text}>
    {said(source)}
  </span>
);
