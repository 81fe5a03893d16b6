/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import type { SaveState } from '../../state/autosave.ts';
import { SaveMark } from './SaveMark.tsx';

afterEach(cleanup);
test.each<[SaveState, string, RegExp | null]>([
  [{ kind: 'saved', revision: 7 }, 'Saved · rev 7', null],
  [{ kind: 'saving', revision: 7 }, 'Saving · rev 8', null],
  [{ kind: 'away', kept: true, full: false } as SaveState, 'Offline, kept here', /saved when it is back/],
  [{ kind: 'away', kept: true, full: true } as SaveState, 'Disk full, kept here', /Free some space/],
  [{ kind: 'away', kept: false, full: false } as SaveState, 'Offline, not kept', /Keep this tab open/],
  [{ kind: 'conflict' } as SaveState, 'Changed elsewhere', null],
  [{ kind: 'refused', revision: 7, why: 'It cannot be stored.' }, 'Not saved', /^It cannot be stored\.$/],
])('%o is said in words', (save, text, title) => {
  render(<SaveMark save={save} />);
  const mark = screen.getByRole('status');
  expect(mark.textContent).toBe(text);
  if (title) expect(mark.title).toMatch(title);
  else expect(mark.title).toBe('');
});
