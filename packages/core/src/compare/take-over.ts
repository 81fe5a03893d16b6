/** Takes one thing over from another document of the same page, with what it needs there. */
import { present } from '../assert/index.ts';
import { driverReferences } from '../drivers/index.ts';
import type { Operation } from '../edit/index.ts';
import { readDocument } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import type { Difference } from './differences.ts';

/**
 * `target` with the thing as `source` has it: replaced, put in at its place in the order, or taken out where `source` does not have it.
 * A motion brings the pin, the trigger, the cues and the motions that it hangs on where `target` has none of that id, and the adjustments made for
 * it. Answers with a sentence where the result would not be a document.
 */
export function withTakenOver(
  target: MotionDocument,
  source: MotionDocument,
  difference: Difference,
  from: 'a' | 'b',
): { ok: true; document: MotionDocument } | { ok: false; why: string } {
  const { list } = difference;
  const theirs = difference[from];
  const ours = difference[from === 'a' ? 'b' : 'a'];
  let out = target;
  // What others here hang on is not taken from them: the document then says why not.
  if (!theirs) out = { ...out, [list]: out[list].filter((x) => x.id !== ours?.id) };
  else {
    // What bears its name here goes on bearing its id, so that everything that hangs on it still finds it.
    const kept = { ...theirs, id: ours?.id ?? theirs.id };
    out = { ...out, [list]: placed(out[list], kept, source[list]) };
    if (list === 'motions') out = withNeeds(out, source, kept as Motion);
  }
  const read = readDocument(out);
  if (read.ok) return { ok: true, document: read.document };
  const [first] = read.problems;
  return {
    ok: false,
    why: `${findName(theirs ?? present(ours))} cannot be taken over: ${present(first).message}.`,
  };
}

/** The same as an operation on `target`; what it cannot take over is said, and nothing changes. */
export const takeOver = (
  label: string,
  source: MotionDocument,
  difference: Difference,
  from: 'a' | 'b',
): Operation => ({
  label,
  scope: 'whole',
  apply(target) {
    const done = withTakenOver(target, source, difference, from);
    return done.ok ? { document: done.document } : { document: target, message: done.why };
  },
});

const findName = (x: { id: string; name?: string; selector?: string }) => x.name ?? x.selector ?? x.id;

/** After the nearest one that both have before it. */
function placed<T extends { id: string }>(list: readonly T[], one: T, like: readonly T[]): T[] {
  if (list.some((x) => x.id === one.id)) return list.map((x) => (x.id === one.id ? one : x));
  const before = like
    .slice(
      0,
      like.findIndex((x) => x.id === one.id),
    )
    .map((x) => x.id);
  const after = list.findLastIndex((x) => before.includes(x.id));
  return list.toSpliced(after + 1, 0, one);
}

function withNeeds(target: MotionDocument, source: MotionDocument, motion: Motion): MotionDocument {
  const { driver, time, ties } = motion;
  let out = target;
  const bring = (list: 'pins' | 'triggers' | 'cues', id: string | null | undefined) => {
    const theirs = source[list].filter((x) => x.id === id && !out[list].some((o) => o.id === id));
    out = { ...out, [list]: [...out[list], ...theirs] };
  };
  for (const { list, id } of driverReferences(driver)) bring(list, id);
  const needed: string[] = time?.after === undefined ? [] : [time.after];
  for (const tie of [ties?.start, ties?.end])
    if (tie?.to === 'motion') needed.push(tie.motion);
    else if (tie) {
      bring('pins', source.cues.find((c) => c.id === tie.cue)?.pin);
      bring('cues', tie.cue);
    }
  for (const id of needed) {
    const theirs = source.motions.find((m) => m.id === id);
    if (theirs && !out.motions.some((m) => m.id === id))
      out = withNeeds({ ...out, motions: placed(out.motions, theirs, source.motions) }, source, theirs);
  }
  const own = (d: MotionDocument) => d.adjustments.filter((a) => a.for.includes(motion.id));
  const known = new Set(out.adjustments.map((a) => a.id));
  return { ...out, adjustments: [...out.adjustments, ...own(source).filter((a) => !known.has(a.id))] };
}
