/** Edits of a document are operations: what they make of it, and what people should know. */
import type { MotionDocument } from '../motion/index.ts';

export interface Edited {
  document: MotionDocument;
  /** a sentence for people, where something was lost or converted on the way */
  message?: string;
  /** ids of what the edit made */
  made?: string[];
}

export type Operation = (document: MotionDocument) => Edited;

/** Gives ids to what an operation makes: `m_…` for a motion, and so on by the first letter of the list. */
export type NewId = (kind: string) => string;
