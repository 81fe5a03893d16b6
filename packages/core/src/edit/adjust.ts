/** Adjustments: declarations that motions and pins need on elements of the page. */
import { splitHost } from '../page/index.ts';
import type { Adjustment, Motion, MotionDocument, Split } from '../motion/index.ts';
import { edit } from './operation.ts';
import type { NewId, Operation } from './operation.ts';

/** Sets a declaration of an adjustment; null takes it out, and the adjustment with its last one. */
export const setDeclaration = (id: string, property: string, css: string | null): Operation =>
  edit(css === null ? `no longer set ${property}` : `set ${property}`, (d) => ({
    ...d,
    adjustments: d.adjustments.flatMap((a): Adjustment[] => {
      if (a.id !== id) return [a];
      const { [property]: _, ...rest } = a.declarations;
      const declarations = css === null ? rest : { ...a.declarations, [property]: css };
      return Object.keys(declarations).length || a.attributes || a.split ? [{ ...a, declarations }] : [];
    }),
  }));

/** Takes a text apart in another way. */
export const setSplit = (id: string, split: Split): Operation =>
  edit('split the text otherwise', (d) => ({
    ...d,
    adjustments: d.adjustments.map((a) => (a.id === id && a.split ? { ...a, split } : a)),
  }));

/** The adjustment that takes the text apart whose parts a motion moves; none for any other motion. */
export function findSplit(motion: Motion, { adjustments }: Pick<MotionDocument, 'adjustments'>) {
  const host = splitHost(motion.targets.selector);
  const found = adjustments.find((a) => a.split && a.selector === host && a.for.includes(motion.id));
  return found?.split ? { ...found, split: found.split } : null;
}

/** Sets one on an element for a motion or a pin, beside what that has there. */
export const addDeclaration = (
  owner: string,
  selector: string,
  [property, css]: readonly [property: string, css: string],
  newId: NewId,
): Operation =>
  edit(`set ${property}`, (d) => {
    const same = d.adjustments.find((a) => a.selector === selector && a.for.includes(owner));
    const made = { [property]: css };
    return {
      ...d,
      adjustments: same
        ? d.adjustments.map((a) => (a === same ? { ...a, declarations: { ...a.declarations, ...made } } : a))
        : [...d.adjustments, { id: newId('a'), selector, declarations: made, for: [owner] }],
    };
  });
