import type { SaveState } from '../../state/autosave.ts';

const AWAY = {
  full: [
    'Disk full, kept here',
    'The server’s disk is full. Free some space on it; your edits are kept in this browser until they can be saved.',
  ],
  kept: [
    'Offline, kept here',
    'The server is unreachable. Your edits are kept in this browser and saved when it is back.',
  ],
  lost: [
    'Offline, not kept',
    'The server is unreachable, and this browser cannot store anything. Keep this tab open until the server is back.',
  ],
} as const;

/** Text and title. */
function wordsFor(save: SaveState): readonly [text: string, title?: string] {
  switch (save.kind) {
    case 'saved':
      return [`Saved · rev ${save.revision}`];
    case 'saving':
      return [`Saving · rev ${save.revision + 1}`];
    case 'away':
      return AWAY[!save.kept ? 'lost' : save.full ? 'full' : 'kept'];
    case 'conflict':
      return ['Changed elsewhere'];
    case 'refused':
      return ['Not saved', save.why];
  }
}

/** Saved, saving, or kept here: always said in words. */
export function SaveMark({ save }: { save: SaveState }) {
  const [text, title] = wordsFor(save);
  return (
    <span className={`save-state ${save.kind}`} role="status" title={title}>
      {text}
    </span>
  );
}
