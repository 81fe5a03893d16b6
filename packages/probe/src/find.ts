/** What a selector matches while it is being typed, and what else an element could be called together with its like. */
import { splitPart } from '@lyvek/core/part';
import type { Measured } from './measure.ts';
import type { Patch } from './patch.ts';
import type { DrawnPart } from './parts.ts';
import { all, findTargets } from './dom.ts';

interface Like {
  selector: string;
  count: number;
}

const SHOWN = 500;
const MAX_LIKE = 5;

export function find(
  selector: string,
  at: number,
  { elements: measured, parts }: Pick<Measured, 'elements' | 'parts'>,
  patch: Patch,
) {
  const found = patch.resolve([selector]).get(selector);
  const part = splitPart(selector)[1];
  const indices = new Map<Element, number>(
    part
      ? parts.flatMap((p, k) => (p.part === part ? [[p.host, measured.length + k] as const] : []))
      : measured.map((e, i) => [e, i]),
  );
  return {
    selector,
    count: found?.length ?? 0,
    elements: (found ?? []).slice(0, SHOWN).flatMap((e) => indices.get(e) ?? []),
    error: found ? null : 'This is not a selector that the browser understands.',
    like: listLike(measured[at], parts[at - measured.length]),
  };
}

function listLike(element: Element | undefined, drawn: DrawnPart | undefined): Like[] {
  if (element) return findLike(element);
  if (!drawn) return [];
  return findLike(drawn.host).flatMap(({ selector }) => {
    const whole = `${selector}${drawn.part}`;
    const count = findTargets(whole).hosts.length;
    return count > 1 ? [{ selector: whole, count }] : [];
  });
}

/** By class, and by place among its siblings; only those that match several. */
function findLike(element: Element): Like[] {
  const tag = CSS.escape(element.localName);
  const classes = [...element.classList].map((c) => `.${CSS.escape(c)}`);
  const holder = element.parentElement;
  const around = holder?.id
    ? `#${CSS.escape(holder.id)}`
    : holder?.classList[0]
      ? `.${CSS.escape(holder.classList[0])}`
      : null;
  const section = element.closest('section[id], article[id], main, header, footer');
  const inside = section?.id ? `#${CSS.escape(section.id)}` : (section?.localName ?? null);
  const wanted = [
    ...classes,
    ...(around ? [`${around} > ${tag}`] : []),
    ...(inside ? [...classes.map((c) => `${inside} ${c}`), `${inside} ${tag}`] : []),
  ];
  const seen = new Set<number>();
  return [...new Set(wanted)]
    .map((selector) => ({
      selector: selector.slice(0, 2000),
      count: all(selector).length,
    }))
    .filter(({ count }) => count > 1 && !seen.has(count) && seen.add(count))
    .slice(0, MAX_LIKE);
}
