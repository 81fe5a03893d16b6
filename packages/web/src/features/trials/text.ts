/** Words of the trials, by the part that shows them. */

export const costsText = {
  px: (height: string) => `${height} px`,
  scrollPx: 'scroll px',
  msBudget: (ms: string) => `${ms} ms budget`,
  costOfFramesAlong: (worst: string, worstAt: string, budget: string) =>
    `Cost of frames along the page: worst ${worst} ms at ${worstAt} px of scroll, budget ${budget} ms`,
  ms: (total: string) => `${total} ms`,
  pxAndCost: (here: string, buckets: string) => `${here} px · ${buckets}`,
  rev: (revision: number) => `rev ${revision}`,
  predicted: 'predicted',
  msOfTheMost: (size: string) => `ms of the most expensive frame, by ${size} px of scroll`,
};

export const eventsText = {
  atPx: (whole: string, y: string, what: string) => `${whole} at ${y} px: ${what}`,
};

export const findingRowText = {
  show: 'Show',
  fix: 'Fix',
  done: (label: string) => `${label}: done.`,
  accept: 'Accept',
  whyThisIsAcceptable: 'Why this is acceptable',
  itComesBackWhen: 'It comes back when its motion changes.',
  acceptIt: 'Accept it',
};

export const findingsText = {
  findings: 'Findings',
  none: 'none',
  theNewestMeasuredTrial: (old: string, share: string, limit: number) =>
    `The newest measured trial${old} had ${share} % of its frames on time; your limit is ${limit} %. The findings below are of the prediction.`,
  error: 'error',
  px: (at: string) => `${at} px`,
  opensItInThe: 'Opens it in the Rundown',
  accepted: (count: number) => `${count} accepted`,
  acceptedMark: 'accepted',
  withdraw: 'Withdraw',
};

export const framesText = {
  timeBetweenFramesWithin: (share: string, within: string) =>
    `Time between frames: ${share} % within ${within} ms`,
  oneTrialOfThis: (trial: string) =>
    `One trial of this kind so far (${trial}). Measure again after a change, and both stand here.`,
  trialsOverTimeP95: (values: string[]) => `Trials over time: p95 ${values.join(', ')}`,
  ofTrial: (trial: string, ms: number | undefined) => `${trial} ${ms} ms`,
  worstFrame: (trial: string) => `worst frame, ${trial}`,
};

export const gesturesText = {
  gesture: 'Gesture',
  device: 'Device',
  frames: 'Frames',
  direction: 'Direction',
  numbersOf: (name: string) => `Numbers of ${name}`,
  numbers: 'Numbers',
  countsForAllPages: 'Counts for all pages of this project.',
  lyvekDefault: 'Lyvek default',
};

export const hereTrialText = {
  measuringHere: 'Measuring here',
  openingThePage: 'opening the page …',
  warmingUp: 'warming up',
  runOf: (run: number, repeats: number) => `run ${run} of ${repeats}`,
  pxSARun: (max: string, lasts: string) =>
    `${max} px, ${lasts} s a run. Keep this window in sight, and leave the page alone.`,
  stop: 'Stop',
  esc: 'Esc',
  beingMeasured: (name: string) => `${name}, being measured`,
};

export const limitsText = {
  limits: 'Limits',
  ofAllPagesIn: (name: string) => `of all pages in ${name}. A check reports when its limit is exceeded.`,
  lyvekDefault: 'Lyvek default',
};

export const measureMenuText = {
  waitsForTheLab: 'waits for the lab',
  measuring: (percent: number) => `measuring, ${percent} %`,
  measuringLabel: 'Measuring',
  stop: 'Stop',
  measure: 'Measure',
  inTheLab: 'In the lab',
  noChromiumIsInstalled:
    'No Chromium is installed on the server. On Debian: apt-get install --no-install-recommends chromium fonts-liberation',
  realWheelInputIn:
    'Real wheel input in the server’s Chromium, slowed down like the device: once to warm up, three times to measure',
  inEngine: (label: string) => `In the server’s ${label}`,
  itsFrames:
    'The page scrolls itself: when each of its frames came, and how long it was at work for it. Not slowed down',
  hereInThisBrowser: 'Here, in this browser',
  onDevice: (name: string) => `On the device: ${name}`,
  inItsOwnBrowser:
    'The page scrolls itself there, once to warm up and three times to measure. Keep it in sight and do not touch it',
  measuringOn: (name: string) => `measuring on ${name}`,
  theDeviceShowedNothing: 'The device showed no frames. Keep the page in sight there and try again.',
  thePageRunsFull:
    'The page runs full size over the workbench on this screen: its frames, long ones and what was in them, layout shifts',
  trials: 'Trials',
  measured: 'Measured',
  predicted: 'Predicted',
  ofWhatIsOn: 'of what is on the screen, always up to date',
  nothingWasMeasuredYet: 'Nothing was measured yet.',
  takenAt: (when: string, take: string, revision: number) => `${when} · ${take}, rev ${revision}`,
  aDeletedTake: 'a deleted take',
  beside: 'Beside',
  compareItWithThe: 'Compare it with the one that is shown',
  json: 'JSON',
  csv: 'CSV',
  again: 'Again',
  measuresTheSameMotions: 'Measures the same motions once more, with the same gesture, device and size',
};

export const resultTabsText = {
  shownAboveTheSmoothness: 'Shown above the smoothness',
};

export const smoothnessText = {
  smoothness: 'Smoothness',
  roughestFirst: 'roughest first',
  noMotionInThis:
    'No motion in this take is driven by the page’s scroll; time-based motions are covered by the findings.',
  motion: 'motion',
  framesInRange: 'frames in range',
  peakStepPx: 'peak step, px',
  smoothnessHead: 'smoothness',
  turnsTimesGoesPx: (reversals: number, gain: string) =>
    `Turns ${reversals} times; goes ${gain} px per px of scroll at most`,
  pastTheLimit: '(past the limit)',
};

export const summaryText = {
  frames: 'frames',
  onTime: 'on time',
  ms: (value: string) => `${value} ms`,
  worst: 'worst',
  at: 'at',
  px: (worstAt: string) => `${worstAt} px`,
  rev: (kind: string, revision: number) =>
    `${kind === 'lab' ? 'measured in the lab' : 'measured here'}, rev ${revision}`,
  trialUnderWay: 'Trial under way',
  stop: 'Stop',
  theTrialFailed: (failed: string) => `The trial failed: ${failed}.`,
  outdated: 'outdated',
  predicted: (percent: number, slower: number) =>
    `predicted, ± ${percent} %${slower > 1 ? `, ${slower}× slower than this machine` : ''}`,
};

export const tracesText = {
  wasDeleted: (name: string) => `${name} was deleted.`,
  recordedScrolling: 'Recorded scrolling',
  recorded: 'Recorded',
  ofThisProject: 'of this project.',
  inTheRundownKeeps: 'in the Rundown keeps your own.',
  record: 'Record',
  json: 'JSON',
  csv: 'CSV',
  deleteIt: 'Delete',
  deleteNamed: (name: string) => `Delete ${name}`,
  openAFile: 'Open a file',
  jsonAsSavedHere: 'JSON as saved here, or CSV: milliseconds, then pixels',
};

export const trialsScreenText = {
  computing: 'Computing …',
};

export const dampedPageText = {
  tryItOnThe: 'Try it on the page',
  theOther: 'The other',
  useIt: 'Use it',
  setsTheDampingOf: (count: string) => `Sets the damping of ${count}`,
  setTheDamping: 'set the damping',
  close: 'Close',
  scrollItWithThe: 'Scroll it with the wheel.',
};

export const tryItText = {
  region: 'Damping',
  tryIt: 'Try it',
  compare: 'Compare',
  damping: ', damping:',
  scrollInput: 'Scroll input',
  comparedWith: ', compared with',
  remove: 'Remove',
  swingsPast: (percent: number) => `swings ${percent} % past`,
  atLargestLagPx: (name: string, how: string, lag: number, settled: number) =>
    `At ${name} ${how}: largest lag ${lag} px, settled after ${settled} ms`,
  scroll: 'scroll',
  pageADotPer: 'page, a dot per frame',
  largestDifference: 'Largest difference',
  theOther: 'the other',
  px: (apart: string) => `${apart} px`,
  limit: (limit: number, unit: string) => `Limit ${limit} ${unit}`,
  pastTheLimit: '(past the limit)',
};

export const unseenPageText = {
  toScroll: (name: string) => `${name}, to scroll`,
  measured: (name: string) => `${name}, measured`,
};

export const measuredSizesText = {
  measuredAtOtherSizes: (name: string) => `${name}, measured at other sizes`,
};

export const otherSizesText = {
  atOtherSizes: 'At other sizes',
  opensThePageAt: (width: number, height: number, how: string) =>
    `Opens the page at ${width} × ${height}${how === 'between' ? ', which was interpolated and will be measured' : ''}`,
};

export const sizesText = {
  doesEverythingStillStart: (smallest: string, largest: string) =>
    `Does everything still start, end and stay pinned on a phone, on a large screen, zoomed to 200 %? The page is measured at a few dozen sizes between ${smallest} and ${largest}, and interpolated in between where that is reliable.`,
  lookAtOtherSizes: 'Look at other sizes',
  goOn: 'Go on',
  measuring: (width: number, height: number) => `measuring ${width} × ${height}`,
  judging: 'judging',
  otherSizes: 'Other sizes',
  stop: 'Stop',
  itFailed: (failed: string) => `It failed: ${failed}.`,
  windowSizesWidthBy: 'Window sizes, width by height',
  zoomed: 'Zoomed',
  openThePageAt: (name: string, where: string, count: number) =>
    `${name}, ${where}: ${count === 0 ? 'nothing that the open name does not show' : `${count} that the open name does not show`}. Open the page at this name`,
  nothingFound: ': nothing found',
  andMore: (more: number) => ` and ${more} more`,
  asHere: (here: number) => `. ${here} as here`,
  butTheThatAre: (here: number) => ` but the ${here} that are found here too`,
  measured: (count: number) => `${count} measured`,
  interpolated: (count: number) => `${count} interpolated`,
  notMeasured: (unknown: number) => `${unknown} not measured`,
};

export const waysText = {
  lateFrames: 'late frames',
  itFailed: (failed: string) => `It failed: ${failed}.`,
  outdated: 'Outdated.',
  clickOneToUse: 'Click one to use it.',
  predictedTrialsOfThe: (count: number) => `${count} predicted trials of the take as it is.`,
  sizesToRun: 'Sizes to run',
  atSizes: (sizes: number) => `at ${sizes} sizes`,
  atThisSize: 'at this size',
  allGestures: 'All gestures',
  stop: 'Stop',
  runAgain: 'Run again',
  runAll: 'Run all',
  notRunYet: 'not run yet',
};
