/** Adjustments: declarations that motions and pins need on elements of the page. */
import type { Adjustment } from '../motion/index.ts';
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
      return Object.keys(declarations).length || a.attributes ? [{ ...a, declarations }] : [];
    }),
  }));

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
