/** What stays in the page, and why: by rule, and by element where others of the rule were read. */
import type { Element } from 'domhandler';
import type { PageElements } from '../source/elements.ts';
import type { ReadRule } from '../cascade/rules.ts';
import { shortened } from '../source/source.ts';
import type { Unsupported } from '../source/source.ts';

interface LeftRule {
  rule: ReadRule;
  reason: string;
  /** none: all of them */
  elements: Set<Element>;
}

export class Left {
  private readonly rules = new Map<string, LeftRule>();

  add(rule: ReadRule, reason: string, elements: readonly Element[] = []): void {
    const key = `${rule.place.path} ${rule.place.from} ${reason}`;
    const known = this.rules.get(key) ?? { rule, reason, elements: new Set() };
    this.rules.set(key, known);
    for (const e of elements) known.elements.add(e);
  }

  /** `findElements`: all that a rule has; `collectSelectors`: those by which the page's rules reach an element. */
  list(
    page: PageElements,
    findElements: (rule: ReadRule) => readonly Element[],
    collectSelectors: (e: Element) => string[],
  ): Unsupported[] {
    return [...this.rules.values()].map(({ rule, reason, elements }) => {
      const whole = rule.inline
        ? `style of <${rule.inline.name}>`
        : rule.selectors.map((s) => s.text).join(', ');
      const isPart = elements.size > 0 && elements.size < findElements(rule).length;
      const which =
        isPart &&
        page.naming(page.inOrder(elements), [...elements].flatMap(collectSelectors), collectSelectors);
      return { place: rule.place, what: shortened(which ? `${which} (by ${whole})` : whole, 90), reason };
    });
  }
}
