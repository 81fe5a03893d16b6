/** Values added to each other and accumulated, as the browser does it. */
import { expect, test } from '@playwright/test';
import { propertyFacts, present, transformMatrix } from '@lyvek/core';
import type { ValueContext } from '@lyvek/core';

const PAIRS: readonly (readonly [property: string, under: string, over: string])[] = [
  ['scale', '2 3', '0.5 1.5'],
  ['rotate', 'x 30deg', 'x 20deg'],
  ['translate', '10px 20px', '5px'],
  ['transform', 'translateX(10px)', 'translateX(5px)'],
  ['transform', 'scale(2)', 'scale(3)'],
  ['transform', 'rotate(30deg) scale(2)', 'rotate(10deg) scale(1.5)'],
  ['transform', 'rotate(30deg)', 'scale(2)'],
  ['transform', 'none', 'scale(2)'],
  ['transform', 'translateX(10px) rotate(30deg)', 'translateX(5px)'],
  ['transform', 'skewX(10deg)', 'skewX(20deg)'],
  ['transform', 'rotateX(10deg)', 'rotateY(20deg)'],
  ['filter', 'blur(2px)', 'blur(3px)'],
  ['filter', 'brightness(0.5)', 'brightness(0.4)'],
  ['filter', 'blur(2px) brightness(2)', 'blur(1px)'],
  ['filter', 'blur(2px)', 'brightness(2)'],
  ['filter', 'none', 'brightness(0.5)'],
  ['filter', 'saturate(2)', 'saturate(0.5)'],
  ['box-shadow', '1px 1px 2px red', '3px 3px 2px blue'],
  ['box-shadow', '1px 1px 2px red, 0px 0px 4px lime', '3px 3px 2px blue'],
  ['box-shadow', 'inset 1px 1px 2px red', '3px 3px 2px blue'],
  ['text-shadow', '1px 1px 2px red', '3px 3px 2px blue'],
  ['width', '100px', '50px'],
  ['letter-spacing', '2px', '1px'],
];

const CONTEXT: ValueContext = {
  box: { width: 100, height: 50 },
  viewport: { width: 1280, height: 720 },
  em: 16,
  rem: 16,
  color: '#000',
};

for (const composite of ['add', 'accumulate'] as const)
  test(`${composite}: as in the browser`, async ({ page }) => {
    await page.setContent('<div id="a" style="width: 100px; height: 50px"></div>');
    const wrong: string[] = [];
    for (const [property, under, over] of PAIRS) {
      const shown = await page.evaluate(
        ([name, base, value, how]) => {
          const e = document.getElementById('a')!;
          e.getAnimations().forEach((a) => a.cancel());
          e.style.cssText = `width: 100px; height: 50px; ${name}: ${base}`;
          const frames = new Map([
            [name.replace(/-(.)/g, (_, c: string) => c.toUpperCase()), [value, value]],
          ]);
          const a = e.animate(Object.fromEntries(frames), {
            duration: 1000,
            composite: how as CompositeOperation,
          });
          a.pause();
          a.currentTime = 500;
          return getComputedStyle(e).getPropertyValue(name);
        },
        [property, under, over, composite] as const,
      );
      const { type } = present(propertyFacts(property));
      const adding = (composite === 'accumulate' ? type.accumulate : undefined) ?? present(type.add);
      const told = adding(under, over, CONTEXT);
      // The browser writes it in its own way: both are read, and their numbers held beside each other.
      const pair = type.pair(told, shown, CONTEXT);
      const [mine, theirs] =
        property === 'transform'
          ? [told, shown].map((css) => transformMatrix(css, CONTEXT) ?? [])
          : [pair?.from ?? [], pair?.to ?? []];
      const far = present(mine).length
        ? Math.max(...present(mine).map((n, i) => Math.abs(n - (present(theirs)[i] ?? Infinity))))
        : Infinity;
      if (!(far < 0.01)) wrong.push(`${property}: ${under}, ${over}: ${shown}, core ${told}`);
    }
    expect(wrong).toEqual([]);
  });
