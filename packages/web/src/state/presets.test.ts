import { expect, test } from '@jest/globals';
import { motion } from '@lyvek/core/testing';
import { presetFile, readPresetFile } from './presets.ts';

const body = { motions: [motion({ targets: { selector: '&' } })], pins: [], triggers: [], adjustments: [] };

test('a file of presets is read as it was written', () => {
  const presets = [
    { name: 'Rise', body },
    { name: 'Again', body },
  ];
  expect(readPresetFile(presetFile(presets))).toEqual({ ok: true, presets });
});

test.each([
  ['{', /not JSON/],
  ['[]', /not a file of presets/],
  ['{"format":"lyvek-document","version":1,"presets":[]}', /format/],
  [presetFile([{ name: '', body }]), /presets\[0\]\.name/],
  [presetFile([{ name: 'x', body: { ...body, motions: [] } }]), /at least one motion or pin/],
])('%s is refused with the place', (text, words) => {
  const read = readPresetFile(text);
  expect(read.ok ? '' : read.error).toMatch(words);
});
