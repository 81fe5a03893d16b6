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

export const showText = {
  button: (count: number | null, waits: boolean) =>
    count === null
      ? 'Show on a device'
      : `Show on a device: ${waits ? 'a device waits' : `${count} ${count === 1 ? 'shows it' : 'show it'}`}`,
  title: 'Show on a device',
  what: 'The page runs on a phone or tablet as it will be: in its own browser, with nothing over it.',
  ended: (why: string) => `It ended. ${why}`,
  address: 'Address of this machine',
  onlyHere: 'only this machine itself',
  reachable: (address: string) =>
    `Whoever reaches ${address} can knock. Nobody gets in unless you let them; nothing but this page is there.`,
  noAddress: 'This machine has no address.',
  start: 'Start',
  stop: 'Stop',
  scan: 'Link for a camera',
  scanOrType: 'Scan it, or open this address and type the letters:',
  letters: 'Letters to type',
  devices: 'Devices',
  nobodyYet: 'No device yet.',
  shows: (code: string) => `It shows ${code}. Are these its letters?`,
  size: (r: { width: number; height: number; visual: { height: number }; density: number }) =>
    `${Math.round(r.width)} × ${Math.round(r.visual.height)} px in sight, ${Number(r.density.toFixed(2))}×`,
  states: { waits: 'waits', shows: 'shows it', away: 'is away' },
  letIn: 'Let it in',
  refuse: 'Refuse',
  putOut: 'Put out',
  record: 'Record',
  scrollOnIt: 'Scroll on it now: it is recorded until it rests.',
  nothingMoved: 'Nothing was scrolled, so nothing was kept.',
  recorded: (name: string, seconds: number) => `“${name}”, ${seconds.toFixed(1)} s, chosen as the gesture.`,
  modes: [
    { value: 'follows', text: 'The device follows the playhead', note: '' },
    { value: 'leads', text: 'The device leads', note: 'the playhead follows its scroll' },
    { value: 'free', text: 'Each scrolls by itself', note: '' },
  ] as const,
  onlyThisPort: (address: string, port: number) =>
    `Open now: ${address}, port ${port}. It closes with this page, after 30 minutes without a device, or here.`,
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

export const tourText = {
  tour: 'Guided tour',
  step: (number: number, count: number) => `Guided tour, ${number} of ${count}`,
  scroll: {
    title: 'Scroll, and so does the timeline',
    text: 'The lanes on the left show the whole page on one scale, from top to bottom. The line across them is where the page is now; every motion that it crosses is moving.',
    act: 'Scroll the page here by a screen or so.',
  },
  bar: {
    title: 'A bar is a motion',
    text: 'It begins and ends at places of the page, and what it moves follows the scroll in between. Bars stand at the elements they move.',
    act: 'Click a bar, or press N.',
  },
  range: {
    title: 'The sentence is the motion',
    text: 'It says what moves, what drives it, and from where to where: its range. Every underlined word can be changed. Below it are the values, with their keyframes.',
    act: 'Change something: press ↓ a few times, or drag an end of the bar.',
  },
  add: {
    title: 'Add one of your own',
    text: 'Click any element in the page. Every starting point that suits it is shown, and played in the page as you go over it.',
    act: 'Click an element in the page, press A, and choose Rise.',
  },
  handOff: {
    title: 'Take it home',
    text: 'The hand-off is standard CSS, and a small script only where CSS cannot do it. Your HTML gets one line.',
    act: 'Open Hand-off and read what is written.',
  },
  done: 'Done.',
  leave: 'Leave the tour',
  back: 'Back',
  next: 'Next step',
  skip: 'Skip this step',
  finish: 'Finish',
  left: 'The tour can be resumed from ? or from the shelf.',
  over: (name: string) =>
    `That was the tour. ${name} keeps it as a take of its own. Press ? for drivers, ranges, triggers, pins and damping in pictures.`,
  takeTheTour: 'Take the tour',
  resumeTheTour: 'Resume the tour',
};

export const helpText = {
  help: 'Help',
  close: 'Close',
  esc: 'Esc',
  ideas: 'Six ideas',
  picturesMove: 'Pictures move',
  shortcuts: 'Keyboard shortcuts',
};

export const ideasText = {
  driver: {
    name: 'Driver',
    text: 'What a motion’s progress comes from: mostly the scroll of the page, or an element on its way through the viewport.',
  },
  range: {
    name: 'Range',
    text: 'From where to where it runs. Before its start it shows the first value, after its end the last.',
  },
  keyframes: {
    name: 'Keyframes',
    text: 'Values at points of the range. In between they are interpolated, with an easing where you set one.',
  },
  trigger: {
    name: 'Trigger',
    text: 'A line that starts a motion when an element passes it. The motion then plays over time, even if the scroll stops.',
  },
  pin: {
    name: 'Pin',
    text: 'A section that stays in place for a distance of scroll, while motions in it run along that distance.',
  },
  damping: {
    name: 'Damping',
    text: 'What is shown follows the scroll a little later and smoother: by a half-life, or by a spring.',
  },
};
