/** Words of state, by the part that shows them. */

export const useFixingText = {
  thereIsNothingLeft: 'There is nothing left to fix: the finding is gone.',
  done: (label: string) => `${label}: done.`,
};

export const useUndoKeysText = {
  undid: (label: string) => `Undid: ${label}.`,
  thereIsNothingTo: 'There is nothing to undo.',
  redid: (label: string) => `Redid: ${label}.`,
  thereIsNothingToRedo: 'There is nothing to redo.',
};
