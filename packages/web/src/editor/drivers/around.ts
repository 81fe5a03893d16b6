/** What stands around an element and may carry progress for it: sections and boxes, the nearest first. */
import { itemAt } from '@lyvek/core';
import type { ElementFacts } from '@lyvek/core';

const MAX_AROUND = 3;

export function listAround(element: number, elements: readonly ElementFacts[]): ElementFacts[] {
  const out: ElementFacts[] = [];
  for (
    let i = itemAt(elements, element).parent;
    i >= 0 && out.length < MAX_AROUND;
    i = itemAt(elements, i).parent
  )
    if (/^(section|header|article|main|div)$/.test(itemAt(elements, i).tag)) out.push(itemAt(elements, i));
  return out;
}
