import { itemAt, present } from '../../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { halfLifeOfFactor } from '../../damping/index.ts';
import { readPage } from '../read-page.ts';

const page = (script: string, head = '') =>
  `<!doctype html><head>${head}</head><body><script>${script}</script></body>`;
const loop = (body: string) => `const step = () => { ${body} requestAnimationFrame(step); }; step();`;
function found(html: string, files: Record<string, string> = {}) {
  const { mistakes } = readPage('index.html', html, (p) => (p === 'index.html' ? html : (files[p] ?? null)));
  return mistakes.filter((m) => m.kind === 'per-frame-factor');
}

describe('a factor per frame', () => {
  test.each([
    ['y += (target - y) * 0.1;', 0.1],
    ['this.y += (scrollY - this.y) * .08;', 0.08],
    ['y += (t - y) / 12;', 1 / 12],
    ['pos.x = lerp(pos.x, mouse.x, 0.2);', 0.2],
    ['y = math.lerp(y, window.scrollY, 0.05)', 0.05],
    ['y += (Math.min(scrollY, 900) - y) * 0.1\n', 0.1],
  ])('%s', (body, factor) => {
    const [one, ...more] = found(page(loop(body)));
    expect(more).toEqual([]);
    expect(present(one).advice).toContain(`every ${Math.round(halfLifeOfFactor(factor, 60))} ms`);
  });

  test.each([
    ['with the time between frames', loop('y += (t - y) * 0.1 * dt;')],
    ['with a share that is worked out', loop('y += (t - y) * (1 - 2 ** (-dt / 90));')],
    ['of something else', loop('y += (t - x) * 0.1;')],
    ['that is none', loop('y += (t - y) * 1.5;')],
    ['outside of a frame loop', 'y += (t - y) * 0.1;'],
  ])('%s says nothing', (_, script) => expect(found(page(script))).toEqual([]));

  test('is told with its file, line and column, in scripts of the page and in those beside it', () => {
    const html = page(
      `\n  ${loop('\n    y += (t - y) * 0.1;\n')}`,
      '<script src="js/ease.js" type="module"></script>',
    );
    const places = found(html, { 'js/ease.js': `// ours\n${loop('x = lerp(x, t, 0.3);')}` }).map(
      (m) => m.place,
    );
    expect(places.map(({ path, line }) => [path, line])).toEqual([
      ['js/ease.js', 2],
      ['index.html', 3],
    ]);
    const { from, to } = itemAt(places, 1);
    expect(html.slice(from, to)).toBe('y += (t - y) * 0.1');
  });

  test('a script of another host is not read', () =>
    expect(
      found(page('', '<script src="https://elsewhere.test/a.js"></script>'), {
        'a.js': loop('y += (t - y) * 0.1'),
      }),
    ).toEqual([]));

  test('whatever stands in a script, reading it ends soon and says at most twenty', () => {
    const piece = fc.constantFrom(
      'y',
      ' += (',
      't - y',
      ') * 0.1',
      '(',
      ')',
      ';',
      'lerp(y, ',
      ', 0.1)',
      '\n',
      '/',
      '12 ',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 4000 }), (parts) => {
        expect(
          found(page(`requestAnimationFrame;${parts.join('').replaceAll('</', '')}`)).length,
        ).toBeLessThanOrEqual(20);
      }),
      { numRuns: 60 },
    );
  });
});
