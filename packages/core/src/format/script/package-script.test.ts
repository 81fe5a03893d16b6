import { expect, test } from '@jest/globals';
import { packageModule, packageScript, scriptText, startLines } from '../index.ts';
import type { FallbackPlan, Plan } from '../index.ts';
import { EMPTY_PLAN } from './empty-plan.ts';

const DAMPED: Plan = {
  ...EMPTY_PLAN,
  damping: [
    { motion: 'm_a', names: ['lv-a'], selector: '#a', damping: { kind: 'half-life', halfLife: 90.00049 } },
  ],
};
const RUNNING: Plan = {
  ...EMPTY_PLAN,
  marquees: [
    {
      ...{ motion: 'm_b', selector: '.ticker', axis: 'inline', speed: 40, reverses: true, push: 0 },
      ...{ pauses: true, damping: { kind: 'none' } },
    },
  ],
};
const ALL = {
  motions: [{ on: { kind: 'trigger', trigger: 0 } }],
  triggers: [],
} as unknown as FallbackPlan;
const imports = (text: string) => [...text.matchAll(/^import .* from '(.*)';$/gm)].map((m) => m[1]);

test('where CSS plays everything there is no script; a module that is imported already goes on being one', () => {
  expect(packageScript(EMPTY_PLAN, { title: 'T' })).toBeNull();
  expect(imports(packageModule(EMPTY_PLAN, {}))).toEqual([]);
  expect(packageModule(EMPTY_PLAN, { typed: true })).toContain('export function startMotion(): () => void {');
});

test('it imports what its plan needs, and nothing runs before it is started', () => {
  expect(imports(packageModule(DAMPED, {}))).toEqual(['@lyvek/runtime']);
  expect(imports(packageModule(RUNNING, {}))).toEqual(['@lyvek/runtime', '@lyvek/runtime/marquees']);
  const text = packageScript(DAMPED, { title: 'T */' })!;
  expect(text.startsWith('/* T  */')).toBe(true);
  // Everything that a server does not have is asked for inside the function.
  const head = text.slice(0, text.indexOf('export function'));
  expect(head).not.toMatch(/document|CSS\.|matchMedia/);
  expect(text).toContain('"halfLife": 90\n');
});

test('what needs no scroll timeline is started everywhere, and the rest of its plan only where they are known', () => {
  const guard = /if \(!?CSS\.supports/;
  const both: Plan = { ...RUNNING, damping: DAMPED.damping };
  expect(packageModule(DAMPED, {})).toMatch(guard);
  expect(scriptText(DAMPED, 'T')).toMatch(guard);
  for (const text of [packageModule(RUNNING, {}), scriptText(RUNNING, 'T')!])
    expect(text).not.toContain('CSS.supports');
  for (const text of [packageModule(both, {}), scriptText(both, 'T')!]) {
    expect(text).not.toMatch(guard);
    expect(text).toContain("CSS.supports('animation-timeline: view()') ? plan : { ...plan, damping: [] }");
  }
});

test('types are written where the file has some', () => {
  expect(packageModule(DAMPED, {})).not.toMatch(/: Plan|: Document/);
  expect(packageModule(DAMPED, { typed: true })).toMatch(
    /import type \{ Plan \} [\s\S]*const plan: Plan = [\s\S]*root: Document \| Element = document\): \(\) => void/,
  );
});

test('the fallback is fetched only where it plays something, and stops with the rest', () => {
  const text = packageModule(DAMPED, { fallback: ALL });
  expect(imports(text)).toEqual(['@lyvek/runtime']);
  expect(text).toContain("void import('@lyvek/runtime/fallback')");
  expect(text).toContain("filter((m) => m.on.kind === 'trigger') : all.motions");
  expect(text).toContain('if (!stopped) stops.push');
});

test('a script of the page starts it by the path of the module', () => {
  expect(startLines('home.motion.js')).toEqual([
    "import { startMotion } from './home.motion.js';",
    'startMotion();',
  ]);
});
