/** Words of the Rundown: the inspector, by the part that shows them. */

export const findingsDockText = {
  thePage: 'Page',
  findingsAboutThis: 'Findings about this',
  ofWord: (index: number, count: number) => `${index} of ${count}`,
  previousFinding: 'Previous finding',
  nextFinding: 'Next finding',
  show: 'Show',
};

export const inspectorText = {
  motion: (name: string) => `Motion ${name}`,
  nothingSelected: 'Nothing selected',
  clickABarTo: (count: number, placed: number) =>
    `${count === 0 ? 'No motions yet.' : `${count === 1 ? '1 motion' : `${count} motions`}${placed < count ? `, ${placed} of them on this page` : ''}.`} Click a bar to edit its motion, or an element in the page to add one.`,
  notOnThisPage: 'Not on this page',
  error: 'error',
  isNotOnThis: 'is not on this page',
  deleteIt: 'Delete',
  itCannotBePlaced: (reason: string) =>
    `It cannot be placed: ${reason}. It is kept, and comes back when the page has a matching element again.`,
};

export const elementSheetText = {
  element: (name: string) => `Element ${name}`,
  size: (tag: string, width: number, height: number) => `${tag}, ${width} × ${height} px`,
  addAMotion: 'Add a motion',
  whatMovesIt: 'What moves it',
  nothingMovesIt: 'Nothing moves it yet.',
  span: (start: string, end: string) => `${start}–${end} px`,
  mute: 'Mute',
  muted: 'Muted',
  inside: ' inside ',
  draws: ' · draws ',
};

export const inspectorHeadText = {
  ofWord: (index: number, count: number) => `${index} of ${count}`,
  previousMotion: 'Previous motion',
  nextMotion: 'Next motion',
  solo: 'Solo',
  mute: 'Mute',
  muted: 'Muted',
  renameF2: 'Rename (F2)',
  nameOfTheMotion: 'Name of the motion',
};

export const moreActionsText = {
  more: 'More',
  nameOfThePreset: 'Name of the preset',
  saveAsPreset: 'Save as preset',
  isSavedForAll: (name: string) => `“${name}” is saved for all projects. Find it under + Motion.`,
  saveAsPresetItem: 'Save as preset …',
  duplicate: 'Duplicate',
  ctrlD: 'Ctrl D',
  deleteIt: 'Delete',
  del: 'Del',
};

export const multiSelectionText = {
  selectedMotions: 'Selected motions',
  motions: (count: number) => `${count} motions`,
  mixedDrivers: 'mixed drivers',
  muteAll: 'Mute all',
  unmuteAll: 'Unmute all',
  solo: 'Solo',
  togetherFromToPx: (start: string, end: string) =>
    `Together from ${start} to ${end} px of scroll. Drag one to move them all; Shift while dragging an end moves the same end of all.`,
  togetherMs: (count: number, end: number) =>
    `${count === 1 ? 'One time-based motion' : `${count} time-based motions`}, done after ${end} ms.`,
  px: (start: string, end: string) => `${start}–${end} px`,
  things: (count: number) => `${count} selected`,
  deleteIt: 'Delete',
  deleteAll: 'delete what is selected',
  moveBy: 'Move by',
  moveMotions: 'move motions',
  eachLaterBy: 'Each later by',
  staggerMotions: 'stagger motions',
  unitPx: 'px',
  unitMs: 'ms',
  twiceAsFast: 'Twice as fast',
  halfAsFast: 'Half as fast',
  sharedValues: 'Values that all have',
  mixed: 'mixed',
  toWord: 'to',
  from: (property: string) => `${property}, from`,
  to: (property: string) => `${property}, to`,
  change: (property: string) => `change ${property}`,
  andMore: (count: number) => `and ${count} more`,
};

export const sentenceText = {
  estimated:
    'Its place is estimated: not all of the page was laid out when it was measured. Open what is closed, and measure again.',
  moves: 'moves',
  element: 'Element',
  andMore: (element: string, count: number) => `${element} and ${count} more`,
  from: 'from',
  until: 'until',
  eased: 'eased',
  damping: ', damping:',
  it: 'it',
  and: 'and',
  fill: 'Fill',
  changeTheFill: 'change the fill',
  composite: 'Composite',
  changeTheComposite: 'change the composite',
  withReducedMotionIt: 'with reduced motion it',
  withReducedMotion: 'With reduced motion',
  changeReducedMotion: 'change reduced motion',
  repeat: 'change the repeat',
  moveThe: (side: string) => `move the ${side}`,
  the: (side: string) => `The ${side}`,
};

export const depthFieldText = {
  at: 'at',
  speed: 'Speed, in percent of the page’s',
  fromTheTop: 'of the page’s speed, from where it stands at the top',
  undisturbed: 'of the page’s speed, undisturbed where its middle meets',
  line: 'Line of the viewport where it is undisturbed',
  zeroIsAPin: 'At 0 % it would stand still: pin it instead',
};

export const repeatFieldText = {
  plays: 'plays',
  repeat: 'Repeat',
  once: 'once',
  times: (count: number, alternate: boolean) => `${count} times${alternate ? ', back and forth' : ''}`,
  howManyTimes: 'How many times',
  backAndForth: 'back and forth',
  cannot: (why: string) => `It cannot repeat: ${why}.`,
};

export const addPropertyText = {
  animateAnotherProperty: 'Animate another property',
  findAProperty: 'Find a property',
  placeholder: 'opacity, colour, --own …',
  properties: 'Properties',
  custom: 'Custom property',
  found: 'Found',
  nothingFound: 'No property has that name. A custom property begins with two dashes.',
  property: '+ property',
};

export const curveRowText = {
  change: (property: string) => `change ${property}`,
  deleteAKeyframe: 'delete a keyframe',
  remove: (property: string) => `remove ${property}`,
  removeButton: (property: string) => `Remove ${property}`,
  fromTo: (low: undefined | string, high: undefined | string) =>
    low === undefined ? `to ${high}` : `${low} to ${high}`,
  keyframesOf: (property: string) => `Keyframes of ${property}`,
  notPredicted: 'not predicted',
  notPredictedWhy: (property: string) =>
    `How these values of ${property} become each other is for the browser to say. The page shows it; the curve only joins the two ends.`,
  addAKeyframeTo: (property: string) => `add a keyframe to ${property}`,
  keyframeAt: (at: string, value: string) => `Keyframe at ${at}: ${value}`,
  positionOfTheKeyframe: 'Position of the keyframe',
  moveAKeyframe: 'move a keyframe',
  valueOfTheKeyframe: 'Value of the keyframe',
  setTheEasingOf: 'set the easing of a keyframe',
  deleteIt: 'Delete',
  deleteTheKeyframe: 'Delete the keyframe',
  comesFromItsOwn: 'Before it, the value comes from the element’s own.',
  returnsToItsOwn: 'After it, the value returns to the element’s own.',
  holdItInstead: 'Hold it',
  holdTheValue: 'hold the value',
};

export const easingEditorText = {
  shape: 'Shape',
  dampingRatio: 'Damping ratio',
  aSpringSettles: 'A spring swings about its end and has settled when the motion ends.',
  overshoots: (percent: number) => `overshoots by ${percent} %`,
  easingTimeDownwardsValues: 'Easing: time to the right, values up',
  from: 'from',
  to: 'to',
  pointAt: (percent: number, value: string) => `Point at ${percent} %: ${value}`,
  doubleClickTheLine: 'Double-click the line to add a point; Del removes one. Shift snaps to the grid.',
  dragTheHandlesArrow: 'Drag the handles; arrow keys move them by 0.01. Shift snaps to the grid.',
  stepsHaveNoHandles: 'Steps have no handles; type their number below.',
  firstHandle: 'First handle',
  secondHandle: 'Second handle',
};

export const easingFieldText = {
  easing: (value: string) => `Easing: ${value}`,
  css: 'CSS',
  easingInCss: 'Easing in CSS',
  spring: (ratio: number) => `spring ${ratio}`,
};

export const signalSliderText = {
  byHand: (property: string) => `${property}, by hand`,
  dragToSendIt: 'drag to send it to listeners',
  nameOfTheSignal: 'Name of the signal',
  signalPrefix: '--signal-',
  listensTo: (name: string) =>
    `Scripts of the page hear the event “signal”, with detail.name “${name === '' ? 'signal' : `signal-${name}`}”.`,
  notAName: 'Letters, digits and hyphens, such as sway.',
  rename: 'Rename it',
  heldAt: (value: number) => `held at ${value}`,
};

export const thresholdsText = {
  thresholds: 'Thresholds',
  count: (n: number) => (n === 0 ? 'no thresholds' : n === 1 ? '1 threshold' : `${n} thresholds`),
  name: 'Name of the threshold',
  at: 'at',
  back: 'back at',
  reachedAt: 'Reached at',
  leftAt: 'Left again at',
  remove: (name: string) => `Remove ${name}`,
  cross: '×',
  add: 'Add a threshold',
  whatFor:
    'Scripts of the page hear the event “threshold” when the signal rises to “at” and when it falls to “back at”.',
  notKept: (why: string) => `Not kept: ${why}.`,
  anotherIsCalledSo: 'another threshold has this name',
};

export const sequenceFieldText = {
  pictures: 'Addresses of the pictures',
  setThePictures: 'set the pictures',
  example: 'frames/{001..120}.webp',
  useAll: (count: number) => `Use all ${count}`,
  nameThem: 'Type the address of the first picture.',
  found: (length: number, counted: { count: number; width: number; height: number } | null) => {
    if (!counted) return 'Looking for them …';
    if (counted.count === 0) return 'The page cannot load the first one. Check the address.';
    const size = `${counted.width} × ${counted.height} px`;
    if (counted.count < length) return `Only ${counted.count} of ${length} are there, ${size}.`;
    if (counted.count > length) return `It uses ${length} of ${counted.count}, ${size}.`;
    return `${counted.count} ${counted.count === 1 ? 'picture' : 'pictures'}, ${size}`;
  },
};

export const pathFieldText = {
  takeIt: 'Take the path of a drawing',
  lines: 'Lines of the page’s drawings',
  line: (name: string, { tag, idClass }: { tag: string; idClass?: string | undefined }) =>
    idClass ? `${idClass}, ${tag}` : name === tag ? tag : `${name}, ${tag}`,
  noDrawing: 'The page has no drawing with lines. Pull the points of the path in the page.',
  noLine: 'This drawing has no line that can be followed. Choose another one.',
};

export const adjustmentsText = {
  and: ', and',
  adjustments: 'Adjustments',
  adjustsNothingElse: 'adjusts nothing else',
  adjustsOneThing: 'adjusts one thing',
  adjustsThings: (count: number) => `adjusts ${count} things`,
  itNeedsNothingSet: 'It needs nothing set on the page’s own elements.',
  inTheHtml: (name: string, value: string) => `${name}=“${value}” in the HTML`,
  remove: 'Remove',
  removeNamed: (property: string) => `Remove ${property}`,
  on: (on: string) => `on ${on}`,
  anOriginForEach: 'An origin of its own for each element',
  perspective900px: 'perspective: 900px',
  add: 'Add',
};

export const alsoMovedText = {
  thisElementIsAlso: 'This element is also moved by',
  bothWrite: (shared: string, composite: string, isLater: boolean) =>
    `Both write ${shared}: ${composite !== 'replace' ? `what ${isLater ? 'it' : 'this one'} says is added` : `${isLater ? 'it' : 'this one'} wins where it is in effect`}.`,
};

export const conditionDifferencesText = {
  forItsOwn: (index: number, name: string) => `${index > 0 ? '; ' : ''}for ${name} its own`,
  overridesFor: (name: string) => `Overrides for ${name}`,
  removeTheOverride: 'remove the override',
};

export const holdFieldText = {
  removeTheHold: 'remove the hold',
  setTheHold: 'set the hold',
  withWord: 'with',
  hold: 'Hold',
  aHoldOfPx: (px: string) => `a hold of ${px} px`,
  noHold: 'no hold',
  holdsForPx: 'holds for, px',
  holdInPx: 'Hold in px',
  ofItsRange: 'of its range',
  holdInPercentOf: 'Hold in percent of the range',
  valuesStayConstantThere: 'Values stay constant there. Drag the hold or its edges on the bar; 0 removes it.',
  duringAHoldThe:
    'During a hold the motion has arrived and stays for a while; then it goes on, back the way it came unless its keyframes say otherwise.',
};

export const presetFieldText = {
  takeThePresetsValues: 'take the preset’s values',
  updateMotionsMadeFrom: 'update motions made from a preset',
  madeFrom: 'made from',
  preset: 'Preset',
  updateThePresetFrom: 'Update the preset from this',
  andWhatWasMade: 'and what was made from it',
  updateFromThePreset: 'Update from the preset',
  thisMotionOnly: 'this motion only',
  switchTo: (name: string) => `Switch to “${name}”`,
  valuesAndRange: 'its values and range',
  detach: 'Detach',
  itStaysAsIt: 'it stays as it is',
};

export const splitText = {
  movesThe: 'moves the',
  of: (name: string) => `of ${name},`,
  partsOfTheText: 'Parts of the text',
  units: [
    { value: 'lines', text: 'lines', note: 'they follow the width of the text' },
    { value: 'words', text: 'words', note: '' },
    { value: 'letters', text: 'letters', note: 'of scripts that join them, too' },
  ],
  orderOfTheParts: 'Order of the parts',
  orders: [
    { value: 'reading', text: 'in reading order', note: '' },
    { value: 'middle', text: 'from the middle', note: '' },
    { value: 'random', text: 'in random order', note: 'the same one at every visit' },
  ],
  anotherOrder: 'another order',
  mask: 'Mask',
  masks: [
    { value: 'none', text: 'not masked', note: '' },
    { value: 'mask', text: 'masked', note: 'each is seen only inside of its own box' },
  ],
  parts: (count: number) => `${count} of them,`,
  lastLaterBy: 'the last one later by',
  spread: (step: string) => `the last one ${step} later`,
} as const;

export const staggerFieldText = {
  onElements: (count: number) => `on ${count} elements,`,
  stagger: 'Stagger',
  /** a percentage counts in the motion’s own range, or in the phases of its ends */
  eachLater: (step: string, inPhases: boolean) => `each ${staggerFieldText.stepOf(step, inPhases)} later`,
  stepOf: (step: string, inPhases: boolean): string =>
    step.endsWith('%') ? `${step} ${inPhases ? 'of the phase' : 'of the range'}` : step,
  ofTheRange: 'of the range',
  ofThePhase: 'of the phase that each end is in',
  amongSiblings: 'by its place among its siblings',
  byProperty: 'by the number in a custom property',
  byNumberIn: (property: string) => `by the number in ${property}`,
  customProperty: 'Custom property',
  notACustomProperty: 'The name of a custom property, such as --i',
  allAlike: 'all alike',
  eachLaterBy: 'each later by',
  stepOfTheStagger: 'Step of the stagger',
  noStagger: 'No stagger',
  anotherOrder: 'Another order',
};

export const targetText = {
  looking: 'looking …',
  matches: (count: number) =>
    count === 0
      ? 'Nothing on this page matches; it would wait until something does.'
      : count === 1
        ? 'One element.'
        : `${count} elements, all outlined in the page.`,
  morePlaces: (count: string, known: string) =>
    `${count} elements, all outlined in the page; the lanes show the first ${known}.`,
  movesEverythingThatMatches: 'Moves everything that matches',
  itAndOthersLike: 'It and others like it',
  elements: (count: number) => `${count} elements`,
  moveThese: 'Move these',
  notThisOne: (name: string) => `Not ${name}`,
};

export const meetingFieldsText = {
  meeting: 'Meeting',
  pointOfTheElement: 'Point of the element in percent of its height',
  ofTheElementMeets: 'of the element meets',
  lineOfTheViewport: 'Line of the viewport in percent from its top',
  ofTheViewportFrom: 'of the viewport, from its top',
};

export const lineFieldText = {
  nowhere: (reason: string) => `nowhere: ${reason}`,
  label: { down: 'Line going down', up: 'Line going up', past: 'Line at the top' },
  atTheSameLine: 'at the same line',
  itStays: 'it stays',
  letItStay: 'Let it stay',
  phaseInCss: 'Phase in CSS',
  scrollOffset: 'scroll offset',
  scrollOffsetInPx: 'Scroll offset in px',
  unitPx: 'px',
  atThePlayhead: 'At the playhead',
  phase: 'Phase',
  as: (writePhase: string) => `as ${writePhase}`,
  useTheSameLine: 'Use the same line',
  px: (offset: string, inside?: string) => (inside ? `${offset} px inside ${inside}` : `${offset} px`),
};

export const pointEditorText = {
  px: 'px',
  scrollOffset: 'scroll offset',
  scrollOffsetInPx: 'Scroll offset in px',
  ofThePin: 'of the pin',
  ofThePage: 'of the page',
  shareOfThePin: 'Share of the pin',
  shareOfThePage: 'Share of the page',
  phaseOfItsView: 'Phase of its view progress',
  phase: 'Phase',
  shareOfThePhase: 'Share of the phase',
  its: (word: string) => `its ${word}`,
};

export const tieEditorText = {
  attachThe: (side: string) => `attach the ${side}`,
  detachThe: (side: string) => `detach the ${side}`,
  attachedTo: 'Attached to',
  whatTheIsAttached: (side: string) => `What the ${side} is attached to`,
  nothing: 'nothing',
  theCue: (name: string) => `the cue ${name}`,
  theOf: (at: string, name: string) => `the ${at} of ${name}`,
  and: 'and',
  offsetFromIt: 'Offset from it',
};

export const viewDiagramText = {
  overThePage: 'Over the page',
  toPxOfScroll: (s0: string, s1: string) => `${s0} to ${s1} px of scroll`,
  acrossTheViewport: 'Across the viewport',
  inTheViewport: 'In the viewport',
  whereTheElementStands: 'Where the element stands at the start and at the end',
  dragWhereTheElement: (side: string) => `Drag: where the element stands at the ${side}`,
  edge: (inline: boolean) => `${inline ? 'Left' : 'Top'} edge`,
  to: 'to',
  pxOfScroll: (offset: string) => `${offset} px of scroll`,
  now: ', now',
  itIsThanThe: (inline: boolean) => `It is ${inline ? 'wider' : 'taller'} than the viewport.`,
};
