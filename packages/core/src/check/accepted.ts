/** Findings that somebody has accepted, with a reason. One comes back when what it is about has changed. */
import { editWhole } from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { contentKey } from '../motion/index.ts';
import type { Layout } from '../page/index.ts';
import type { Finding } from './finding.ts';

export type Accepted = MotionDocument['accepted'][number];

/** A motion, pin or trigger by its id; what is of the page itself by its element’s selector. */
const toWhere = (finding: Finding, layout: Layout): string =>
  finding.about || (layout.elements[finding.element]?.selector ?? '');

const computeState = (d: MotionDocument, where: string): string => {
  const one = [...d.motions, ...d.pins, ...d.triggers].find((x) => x.id === where);
  return one ? contentKey(one) : '';
};

/** What was said when it was accepted; null when it was not, or when its motion, pin or trigger has been changed since. */
export function acceptedFor(d: MotionDocument, finding: Finding, layout: Layout): Accepted | null {
  const where = toWhere(finding, layout);
  const known = d.accepted.find((a) => a.check === finding.check && a.where === where);
  return known && known.state === computeState(d, where) ? known : null;
}

/** A finding of this document accepted as things are now; `selector` is that of its element. */
export function acceptance(d: MotionDocument, finding: Finding, selector: string, reason: string): Accepted {
  const where = finding.about || selector;
  return { check: finding.check, where, reason: reason.trim(), state: computeState(d, where) };
}

const isOther = (one: Accepted) => (a: Accepted) => a.check !== one.check || a.where !== one.where;

/** Accepts a finding as it is now, with a reason. */
export const acceptFinding = (one: Accepted): Operation =>
  editWhole('accept a finding', (d) => withAccepted(d, one));
export const unacceptFinding = (one: Accepted): Operation =>
  editWhole('no longer accept a finding', (d) => withoutAccepted(d, one));

export const withAccepted = (d: MotionDocument, one: Accepted): MotionDocument => ({
  ...d,
  accepted: [...d.accepted.filter(isOther(one)), one],
});
export const withoutAccepted = (d: MotionDocument, one: Accepted): MotionDocument => ({
  ...d,
  accepted: d.accepted.filter(isOther(one)),
});
