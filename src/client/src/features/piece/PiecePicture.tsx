import { Piece } from "./Piece";
import { overhang, shownOf, type PieceLook } from "./points";

const air = 3;

/** A piece on its own, as large as its box allows. */
export function PiecePicture(props: { look: PieceLook; seed?: number; label?: string; className?: string }) {
  const { look } = props;
  const top = overhang(look);
  const shown = shownOf(look);
  const [wide, tall] = [look.size.width + 2 * air, shown + top + (shown < look.size.length ? air : 2 * air)];
  return (
    <svg
      {...(props.label ? { role: "img", "aria-label": props.label } : { "aria-hidden": true })}
      viewBox={`${-wide / 2} ${-top - air} ${wide} ${tall}`}
      className={props.className}
    >
      <Piece look={look} seed={props.seed ?? 3} fine />
    </svg>
  );
}
