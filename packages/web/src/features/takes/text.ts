/** Words of the takes, by the part that shows them. */

export const curvesOverText = {
  curvesOfBothTakes: 'Curves of both takes',
  motion: 'Motion',
  property: 'Property',
  noMotion: 'no motion',
  itIsTimeBased: 'It is time-based or in another scroller, so it has no curve over this scroll.',
  valueOverScroll: 'Value over scroll',
  apart: (apart: string) => `${apart} apart`,
};

export const differenceListText = {
  isAndStaysAs: (name: string, note: string) => `${name} is ${note} and stays as it is.`,
  nowInToo: (label: string, name: string) => `${label}, now in ${name} too.`,
  theseAreDifferentPages: 'These are different pages, so their motions are not compared one by one.',
  whatDiffers: 'What differs',
  oneIsTheSame: 'one is the same',
  areTheSame: (same: number) => `${same} are the same`,
  takeOneOverBy: 'Take one over by dragging its row onto the other strip.',
  asInA: 'As in A',
  asInB: 'As in B',
};

export const figuresText = {
  figures: 'Figures',
  measuringThePage: 'Measuring the page …',
  difference: 'difference',
};

export const mergeBarText = {
  isKeptWasDeleted: (kept: string, deleted: string) => `${kept} is kept, ${deleted} was deleted.`,
  keepB: 'Keep B',
  keepA: 'Keep A',
  keepBoth: 'Keep both',
  swapSides: 'Swap sides',
  becomesThePagesTake: (kept: string, deleted: string) =>
    `${kept} becomes the page’s take; ${deleted} is deleted with its trials and can be restored.`,
  isAnotherPageBoth: (name: string) => `${name} is another page; both stay as they are.`,
  isAgain: (name: string, note: string) => `${name} is again ${note}.`,
  restoreThisRevision: 'Restore this revision',
  restoringMakesANew: 'Restoring makes a new revision; the ones in between stay.',
};

export const picturesText = {
  wasDeleted: (name: string) => `${name} was deleted.`,
  pictures: 'Pictures',
  addPictures: 'Add pictures',
  deleteIt: 'Delete',
  eachShowsThePage: (at: string) =>
    `Each shows the page as wide as the window at one scroll offset. A number at the end of a file’s name, such as “hero 1200.png”, is taken as its offset; others begin at ${at} px, one screen apart. Drop files here too.`,
  offsetOfThePicture: (at: string) => `Offset of the picture at ${at} px`,
  px: 'px',
  show: 'Show',
  remove: 'Remove',
};

export const referencePictureText = {
  noPictureYet: 'no picture yet',
  atPx: (name: string, at: string) => `${name} at ${at} px`,
  ofPx: (at: string) => `of ${at} px`,
};

export const scaleText = {
  scrollOffsetsTheEnlarged: (at: string) => `Scroll offsets; the enlarged one is ${at} px`,
};

export const sideChoicesText = {
  takesOfThisPage: 'Takes of this page',
  duplicateAndCompare: (name: string) => `Duplicate ${name}, and compare`,
  deleted: 'Deleted',
  restore: 'restore',
  otherPages: 'Other pages',
  pictures: 'Pictures',
  whatThePicturesShow: 'What the pictures show',
  make: 'Make',
  newReferenceOfPictures: 'New reference of pictures …',
  asItWas: (name: string) => `${name} as it was`,
  earlierOnes: 'Earlier ones',
};

export const sideHeadText = {
  compareWith: 'Compare with',
};

export const stripsText = {
  filmstrips: 'Filmstrips',
  scrollPx: 'scroll px',
  difference: 'difference',
  shareOfTheWindow: 'Share of the window that shows something else in the other take',
  atPx: (name: string, at: string, words: string) => `${name} at ${at} px${words ? `: ${words}` : ''}`,
  sideAtPx: (name: string, letter: string, at: number) => `${name}, ${letter} at ${at} px`,
};

export const takesScreenText = {
  openingWhatIsCompared: (name: string) => `Opening what ${name} is compared with …`,
  thatCannotBeOpened: 'That cannot be opened',
  isTheOnlyTake: (name: string) => `${name} is the only take of this page`,
  chooseSomethingElseTo: (why: string, name: string) =>
    `${why} Choose something else to compare ${name} with.`,
  makeASecondTake:
    'Make a second take and change it freely; both stay, and here you see them side by side. Or compare with what is there already.',
};

export const wipeText = {
  bothTakesOverEach: 'Both takes over each other',
  at: (kind: string) => `${kind === 'take' ? 'Both' : 'Page'} at`,
  shownAt: (percent: number) => `, shown at ${percent} %`,
  px: (at: string) => `${at} px`,
  atPx: (name: string, at: number) => `${name} at ${at} px`,
  openingThePage: 'Opening the page …',
  howMuchOfThe: 'How much of the left take is shown',
  dragOrHoldA: 'Drag, or ← →; hold A or B to see one of them whole',
  figuresUnder: (gesture: string) => `figures under ${gesture}`,
};
