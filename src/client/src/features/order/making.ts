import type { Centre, Making, MouldTally, OrderLine, Reference } from "../../api/client";
import type { Edit } from "./draft";

/** What a choice of how pieces are made needs. */
export interface MakingProps {
  index: number;
  line: OrderLine;
  what: string;
  centre: Centre | undefined;
  reference: Reference;
  moulded: MouldTally | undefined;
  notes: Record<string, string>;
  edit: Edit;
}

/** Changes a part of how pieces are made, as an edit of a field. */
export type ChangeMaking = (field: string, part: Partial<Making>) => void;
