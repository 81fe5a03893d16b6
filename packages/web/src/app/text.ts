/** Words of what is around every screen, by the part that shows them. */

export const conditionPopoverText = {
  editing: (name: string | undefined) => `Editing: ${name ?? 'all screens'}`,
  editingLabel: 'Editing:',
  allScreens: 'all screens',
  noCommonScreenSize: (query: string) => `No common screen size matches ${query}. Set the viewport yourself.`,
  thePageIsShown: (width: number, height: number, reduces: boolean, name: string) =>
    `The page is shown at ${width} × ${height}${reduces ? ' with reduced motion' : ''}, where ${name} matches.`,
  anEditChangesWhat: 'an edit changes what is seen',
  only: (name: string) => `only ${name}`,
  differ: (matches: boolean, count: number) => `${matches ? 'matches here' : 'not here'}, ${count} differ`,
  change: 'Change',
  newCondition: 'New condition',
  andEverythingSetFor: (name: string) => `${name} and everything set for it were removed.`,
  name: 'Name',
  matchesWhen: 'Matches when',
  keep: 'Keep',
  addAndEditFor: 'Add and edit for it',
  remove: 'Remove',
};

export const conflictBannerText = {
  theLastEditWas: (why: string) => `The last edit was refused: ${why} Undo it, or change it.`,
  yourVersionIsNow: 'Your version is now its own take.',
  wasChangedInAnother: (name: string) =>
    `${name} was changed in another tab or window after you opened it. Nothing is lost: your version is kept here.`,
  keepMineAsA: 'Keep mine as a new take',
  loadTheirs: 'Load theirs',
};

export const openPageText = {
  openingThePage: 'Opening the page …',
  toTheShelf: 'To the shelf',
  editsFromAnotherTab: (names: string) => `Edits from another tab were kept as ${names}.`,
  thisPageHasNo: 'This page has no take left. Restore one from the shelf.',
  opening: (name: string) => `Opening ${name} …`,
  notDone: (why: string) => `Not done: ${why}`,
  mode: 'Mode',
  rundown: 'Rundown',
  trials: 'Trials',
  takes: 'Takes',
  handOff: 'Hand-off',
  presets: 'Presets',
};

export const pageCrumbsText = {
  page: (name: string) => `Page ${name}`,
  wasRemovedFromThe: (name: string) => `“${name}” was removed from the shelf.`,
  nameOfThePage: 'Name of the page',
  rename: 'Rename',
  renameItem: 'Rename …',
  deleteThePage: 'Delete the page',
};

export const takePopoverText = {
  take: (name: string) => `Take: ${name}`,
  wasDeleted: (name: string) => `${name} was deleted.`,
  nameOfTheTake: 'Name of the take',
  rename: 'Rename',
  newTakeFromThis: 'New take from this one',
  renameItem: 'Rename …',
  deleteTake: (name: string) => `Delete ${name}`,
};

export const viewportPopoverText = {
  viewport: (viewport: string) => `Viewport ${viewport}`,
  widthInPx: 'Width in px',
  heightInPx: 'Height in px',
  use: 'Use',
  betweenAndPxEach: 'Between 200 and 8000 px each.',
};

export const routesText = {
  thereIsNothingAt: 'There is nothing at this address',
  thisScreenHasFailed: 'This screen has failed',
  thePageMayHave: 'The page may have been moved or deleted.',
  yourEditsAreSaved: (message: undefined | string) => `${message}. Your edits are saved. Reload the page.`,
  reload: 'Reload',
  toTheShelf: 'To the shelf',
  loading: 'Loading …',
};
