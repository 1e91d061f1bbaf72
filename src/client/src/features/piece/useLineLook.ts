import { useMemo } from "react";
import type { LineTally, OrderLine, Reference } from "../../api/client";
import { pieceOf } from "./points";

/** How a line's piece looks; another only when something of its look changes, not its count. */
export function useLineLook(line: OrderLine | undefined, tally: LineTally | undefined, reference: Reference) {
  const { centre = null, size = null, coating = null, colour = null } = line ?? {};
  const { decor = null, making = null, upright = null } = line ?? {};
  const { coat, dipLine, look: decorated = null, seen = null, disc = null } = tally ?? {};
  return useMemo(
    () =>
      coat === undefined || dipLine === undefined
        ? undefined
        : whole(
            pieceOf(
              reference,
              { centre, size, coating, colour, decor, making, upright },
              { coat, dipLine, look: decorated, seen, disc },
            ),
          ),
    [reference, centre, size, coating, colour, decor, making, upright, coat, dipLine, decorated, seen, disc],
  );
}

/** A figure's body gets its eyes and the like when it is put together, not on the tray. */
const whole = (look: ReturnType<typeof pieceOf>) => (look?.centre.figure ? { ...look, parts: [] } : look);
