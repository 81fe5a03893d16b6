import type { SaveState } from '../data/autosave.ts';

/** Saved, saving, or kept here: always said in words. */
export function SaveMark({ save }: { save: SaveState }) {
  const text = {
    saved: `Saved · rev ${save.revision}`,
    saving: `Saving · rev ${save.revision + 1}`,
    away: 'Offline, kept here',
    conflict: 'Changed elsewhere',
    refused: 'Not saved',
  }[save.is];
  const title =
    save.is === 'away'
      ? 'The server does not answer. Your edits are kept in this browser and sent by themselves.'
      : save.is === 'refused'
        ? save.why
        : undefined;
  return (
    <span className={`save-state ${save.is}`} role="status" title={title}>
      {text}
    </span>
  );
}
