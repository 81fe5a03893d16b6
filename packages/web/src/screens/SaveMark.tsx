import type { SaveState } from '../data/autosave.ts';

/** Saved, saving, or kept here: always said in words. */
export function SaveMark({ save }: { save: SaveState }) {
  const text = {
    saved: `Saved · rev ${save.revision}`,
    saving: `Saving · rev ${save.revision + 1}`,
    away: save.is === 'away' && !save.kept ? 'Offline, not kept' : 'Offline, kept here',
    conflict: 'Changed elsewhere',
    refused: 'Not saved',
  }[save.is];
  const title =
    save.is === 'away'
      ? save.kept
        ? 'The server does not answer. Your edits are kept in this browser and sent by themselves.'
        : 'The server does not answer, and this browser stores nothing. Leave this tab open until the server is back.'
      : save.is === 'refused'
        ? save.why
        : undefined;
  return (
    <span className={`save-state ${save.is}`} role="status" title={title}>
      {text}
    </span>
  );
}
