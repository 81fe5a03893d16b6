/** Edits of a document are operations: what they make of it, whom they count for, and what people should know. */
import { editedUnder, withTies } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';

export type Change = (d: MotionDocument) => MotionDocument;

export interface Edited {
  document: MotionDocument;
  /** a sentence for people, where something was lost or converted on the way */
  message?: string;
  /** ids of what is to be selected then; absent: the selection stays */
  selection?: readonly string[];
}

export interface Operation {
  /** what is done, for “Undo …”: “move a cue” */
  label: string;
  /**
   * `seen`: it changes what is seen under the media conditions that hold, and the change is written where the seen value comes from. `whole`:
   * it changes the document with all its conditions.
   */
  scope: 'seen' | 'whole';
  apply(d: MotionDocument): Edited;
}

const operation =
  (scope: Operation['scope']) =>
  (label: string, change: Change, selection?: readonly string[]): Operation => ({
    label,
    scope,
    apply: (d) => ({ document: change(d), ...(selection ? { selection } : {}) }),
  });

/** An operation on what is seen. */
export const edit = operation('seen');
/** An operation on the whole document. */
export const editWhole = operation('whole');

/** Several as one: one undo step. They are done in order, under the scope of the widest. */
export const together = (label: string, operations: readonly Operation[]): Operation => ({
  label,
  scope: operations.some((o) => o.scope === 'whole') ? 'whole' : 'seen',
  apply(d) {
    let edited: Edited = { document: d };
    for (const o of operations) edited = { ...edited, ...o.apply(edited.document) };
    return edited;
  },
});

/** Under which conditions a document is looked at, and which one edits count for; null: wherever the seen value is written. */
export interface EditView {
  active: readonly string[];
  media: string | null;
}
const UNCONDITIONED: EditView = { active: [], media: null };

/** Does it. What it makes has every tied end where its tie has it; the very same document where nothing changes. */
export function applyOperation(
  d: MotionDocument,
  op: Operation,
  { active, media }: EditView = UNCONDITIONED,
): Edited {
  let edited: Edited = { document: d };
  const change: Change = (seen) => (edited = op.apply(seen)).document;
  const document = op.scope === 'whole' ? change(d) : editedUnder(d, active, media, change);
  return { ...edited, document: withTies(document) };
}

/** Gives ids to what an operation makes: `m_…` for a motion, and so on by the first letter of the list. */
export type NewId = (kind: string) => string;
