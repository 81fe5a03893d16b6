/**
 * Writes which browsers play a hand-off by themselves, from the open compatibility data in a package (MDN’s, CC0). Run after the package has
 * been updated: node scripts/support-table.mjs
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { inRoot } from './setup/paths.mjs';

const data = JSON.parse(readFileSync(inRoot('node_modules/@mdn/browser-compat-data/data.json'), 'utf8'));

const BROWSERS = [
  'chrome',
  'edge',
  'firefox',
  'safari',
  'chrome_android',
  'safari_ios',
  'firefox_android',
  'samsunginternet_android',
];
const FEATURES = {
  'scroll timelines': data.css.properties['animation-timeline'],
  triggers: data.css.properties['timeline-trigger'] ?? null,
  animations: data.css.properties.animation,
  'sibling-index()': data.css.types['sibling-index'],
};

const versionOf = (feature, browser) => {
  const support = feature?.__compat?.support?.[browser];
  const now = [support].flat()[0];
  if (!now || !now.version_added || now.version_added === 'preview' || now.version_removed) return null;
  return now.flags?.length ? null : String(now.version_added);
};

const table = {
  source: `@mdn/browser-compat-data ${data.__meta.version}`,
  date: data.__meta.timestamp.slice(0, 10),
  browsers: BROWSERS.map((id) => ({
    name: data.browsers[id].name,
    since: Object.fromEntries(
      Object.entries(FEATURES).map(([name, feature]) => [name, versionOf(feature, id)]),
    ),
  })),
};

export const supportTable = table;
if (process.argv[1]?.endsWith('support-table.mjs'))
  writeFileSync(
    inRoot('packages/web/src/features/hand-off/support.json'),
    `${JSON.stringify(table, null, 2)}\n`,
  );
