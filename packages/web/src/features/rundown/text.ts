/** Words of the Rundown, by the part that shows them. */

export const headRowText = {
  px: (height: string) => `${height} px`,
  scrollPx: 'scroll px',
  addAMotion: 'Add a motion',
  andZoomShowsThe: '+ and − zoom, 0 shows the whole page',
  motion: '+ Motion',
  find: 'Find',
  findMotionsByName: 'Find motions and elements by name, text, class, driver, property or finding',
  pageAt: 'Page at',
  share: (percent: number) => `, ${percent} %`,
  atPx: (y: string) => `${y} px`,
  followingTheDrag: ', following the drag',
  playing: ', playing',
  notes: (count: number) => `${count} notes: `,
  editing: 'Editing',
  only: 'only',
  otherHosts: 'Other hosts',
  thisPageMayLoad: 'This page may load files from other hosts',
  guides: 'Guides',
  follow: 'Follow',
  thePageGoesAlong: 'The page scrolls to what is selected when it is not in sight',
  outlines: 'Outlines',
  reducedMotion: 'Reduced motion',
  useThePage: 'Use the page',
  clicksAndKeysGo: 'Clicks and keys go to the page instead of picking elements',
};

export const importPopoverText = {
  importedWithTheCorrection: 'Imported with the correction. Undo reverts it.',
  importedFromThePages: (motions: string, count: number) =>
    `${motions} imported from the page’s own CSS, and ${count === 1 ? 'is' : 'are'} removed from it at hand-off.`,
  mistakesInThePage: 'Mistakes in the page',
  importWithCorrection: 'Import with correction',
  notImported: 'Not imported',
  andMore: (count: number) => `and ${count} more`,
  everythingElseInThe: 'Everything else in the page stays as you added it.',
};

export const lostPopoverText = {
  lostMotionsStayIn: 'Lost motions stay in the take and play again when their element is back.',
  thePageHasChanged: 'The page has changed, and these selectors find nothing in it any more.',
  movedBy: (name: string) => `moved by ${name}.`,
  probablyNow: 'Probably now',
  alike: (percent: number) => `, ${percent} % alike.`,
  itIsThisOne: 'It is this one',
  nothingInThePage: 'Nothing in the page resembles it.',
  leaveTheOthersAs: 'Leave the others as lost',
};

export const useKeysText = {
  moveKeyframes: 'move keyframes',
  aPropertyKeepsAt: 'A property keeps at least one keyframe. Delete the property instead.',
  deleteAMotion: 'delete a motion',
  deleteMotions: (count: number) => `delete ${count} motions`,
  theMotionWasDeleted: 'The motion was deleted.',
  motionsWereDeleted: (count: number) => `${count} motions were deleted.`,
  isCopiedChooseAn: (name: string) => `“${name}” is copied. Choose an element and paste it there.`,
  onlyMotionsAreCopied: 'Only motions can be copied. Pin another section with + Motion.',
  motionsAreCopied: (count: number) => `${count} motions are copied.`,
  nothingHasBeenCopied: 'Nothing has been copied yet.',
  noSelectedMotionIs: 'No selected motion is in its range here. Scroll into its range first.',
  addAKeyframe: 'add a keyframe',
  addKeyframes: 'add keyframes',
};

export const rundownText = {
  widthOfTheLanes: 'Width of the lanes',
  heightOfTheSheet: 'Height of the sheet',
};

export const commandsText = {
  acts: 'Acts',
  inTheSheet: 'In the sheet',
  severalMotions: 'Several motions',
  motions: 'Motions',
  pinsTriggersCues: 'Pins, triggers and cues',
  elements: 'Elements of the page',
  add: (effect: string) => `Add ${effect}`,
  addTo: (element: string) => `Add to ${element}`,
  addToAnElement: 'Add to an element',
  selectAMotionFirst: 'Select a motion first.',
  selectSeveralFirst: 'Select several motions first.',
  chooseAnElementFirst: 'Choose an element first.',
  guides: 'Show or hide guides',
  outlines: 'Show or hide outlines',
  reducedMotion: 'Preview reduced motion, or stop',
};

export const findText = {
  results: 'What was found',
  motions: 'Motions',
  elements: 'Elements of the page',
  selectAll: (count: number) => `Select these ${count} motions`,
  clear: 'Clear the search',
  nothing: 'No motion and no element has that in it.',
};
