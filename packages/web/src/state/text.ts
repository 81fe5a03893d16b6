/** Words of state, by the part that shows them. */

export const useFixingText = {
  thereIsNothingLeft: 'There is nothing left to fix: the finding is gone.',
  done: (label: string) => `${label}: done.`,
};

export const adoptedText = {
  editInTheFile: 'an edit in the style sheet',
};

export const useUndoKeysText = {
  undid: (label: string) => `Undid: ${label}.`,
  none: 'There is nothing to undo.',
  elsewhere: 'The last edit was made in another browser. Takes lists it with all earlier revisions.',
  away: 'What was done before this page was opened is undone once everything is saved.',
  redid: (label: string) => `Redid: ${label}.`,
  thereIsNothingToRedo: 'There is nothing to redo.',
};
