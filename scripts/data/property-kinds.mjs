/** Writes how each property of CSS animates, from the standards’ own definitions: `node scripts/data/property-kinds.mjs`. */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { format, resolveConfig } from 'prettier';
import { inRoot } from '../setup/paths.mjs';

const FILE = inRoot('packages/core/src/value/property-kinds.data.ts');
const { properties } = JSON.parse(
  readFileSync(createRequire(import.meta.url).resolve('@webref/css/css.json'), 'utf8'),
);

const byName = new Map(properties.map((p) => [p.name, p]));

/** What the definitions say in words. */
const kind = ({ animationType = '', longhands, syntax = '' }) => {
  const type = animationType.replace(/\s+/g, ' ').trim().toLowerCase();
  // A shorthand of what flips, flips.
  if (longhands?.every((name) => kind(byName.get(name) ?? {}) === 'discrete')) return 'discrete';
  if (longhands || !type) return null;
  if (type === 'discrete') return 'discrete';
  if (/^(by computed value( type)?(, recursing into fit-content\(\))?|number|as length)$/.test(type))
    return /<integer/.test(syntax) ? 'integers' : 'parts';
  return null;
};

const rows = new Map([
  ['discrete', []],
  ['parts', []],
  ['integers', []],
]);
for (const p of properties) rows.get(kind(p))?.push(p.name);
const text = `/** How properties animate, as the standards define them. Written by scripts/data/property-kinds.mjs. */
export const KINDS = {
${[...rows].map(([name, list]) => `  ${name}:\n    '${list.sort().join(' ')}'.split(' '),`).join('\n')}
};
`;
writeFileSync(FILE, await format(text, { ...(await resolveConfig(FILE)), parser: 'typescript' }));
