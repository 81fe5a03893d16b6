/** A motion on other elements. */
import { edit } from './operation.ts';
import { everyFifth } from './origins.ts';
import type { Change, NewId, Operation } from './operation.ts';

/** What the motion needs on its elements goes along; where something else needs it too, it stays there as well. */
export const withTarget =
  (id: string, selector: string, newId: NewId): Change =>
  (d) => {
    const was = d.motions.find((m) => m.id === id)?.targets.selector;
    const [before, after] = [
      [was, ...everyFifth(was ?? '')],
      [selector, ...everyFifth(selector)],
    ];
    return {
      ...d,
      motions: d.motions.map((m) => (m.id === id ? { ...m, targets: { selector } } : m)),
      adjustments: d.adjustments.flatMap((a) => {
        const moved = after[before.indexOf(a.selector)];
        if (moved === undefined || !a.for.includes(id)) return [a];
        const others = a.for.filter((x) => x !== id);
        if (others.length === 0) return [{ ...a, selector: moved }];
        return [
          { ...a, for: others },
          { ...a, id: newId('a'), selector: moved, for: [id] },
        ];
      }),
    };
  };

export const setTarget = (id: string, selector: string, newId: NewId): Operation =>
  edit('change the target', withTarget(id, selector, newId));
