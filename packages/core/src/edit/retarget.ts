/** A motion on other elements. */
import { freeName } from './names.ts';
import { edit } from './operation.ts';
import { everyFifth } from './origins.ts';
import type { Change, NewId, Operation } from './operation.ts';

/** What its elements were called, and are called now. */
export interface Called {
  was: string;
  now: string;
}

/** A name that begins with what the elements were called says from now on what they are called; one that people gave stays. */
function renamed(name: string, { was, now }: Called, taken: readonly string[]): string {
  if (was === now || (name !== was && !name.startsWith(`${was} `))) return name;
  return freeName(taken)(now + name.slice(was.length));
}

/** What the motion needs on its elements goes along; where something else needs it too, it stays there as well. */
export const withTarget =
  (id: string, selector: string, newId: NewId, called: Called = { was: '', now: '' }): Change =>
  (d) => {
    const others = d.motions.flatMap((m) => (m.id === id ? [] : [m.name]));
    const was = d.motions.find((m) => m.id === id)?.targets.selector;
    const [before, after] = [
      [was, ...everyFifth(was ?? '')],
      [selector, ...everyFifth(selector)],
    ];
    return {
      ...d,
      motions: d.motions.map((m) =>
        m.id === id ? { ...m, name: renamed(m.name, called, others), targets: { selector } } : m,
      ),
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

export const setTarget = (id: string, selector: string, newId: NewId, called?: Called): Operation =>
  edit('change the target', withTarget(id, selector, newId, called));
