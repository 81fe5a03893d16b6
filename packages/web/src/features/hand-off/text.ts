/** Words of the hand-off, by the part that shows them. */
import { PROOF_LIMIT } from '@lyvek/core';
import { ENGINE_NAMES } from '@lyvek/core';
import type { EngineName } from '@lyvek/core';
import type { ProvedBefore } from './proved-before.ts';

export const codeText = {
  css: 'CSS',
  html: 'HTML',
};

export const handOffScreenText = {
  generatingCss: 'Generating CSS …',
  couldNotBeWritten: (why: string) => `The CSS could not be written: ${why}.`,
  isWrittenAnew:
    'Not copied: the CSS is being written again after your last edit. Copy once more in a moment.',
  isCopied: (what: string) => `${what} is copied.`,
  handOff: 'Hand-off',
  nothingMovesYetSo: 'Nothing moves yet, so there is no code to write.',
  ofAs: (count: number, name: string) => `${count} ${count === 1 ? 'motion' : 'motions'} of ${name} as`,
  whatPlaysTheMotions: (word: string) => `What plays the motions: ${word}`,
  inThisHandOff: 'In this hand-off',
  cssScript: (byCss: number, byScript: number) => `${byCss} CSS, ${byScript} script`,
  theCss: 'The CSS',
  writtenLines: (count: number) => `written, ${count} lines`,
  copy: 'Copy',
  proof: 'Proof',
  aPageUnderDevelopment: 'A page under development is proved where it is built: run',
  onTheResult: 'on the result.',
  lyvekProve: 'lyvek prove',
};

export const htmlColumnText = {
  original: 'Original',
  copy: 'Copy',
  theHtml: 'The HTML',
  linesAreMotionsNow: (count: number) => `${count} lines are motions now and are removed`,
  written: (count: number, file: string) =>
    `written${count ? `; it starts ${file}, which the zip holds` : '; it needs nothing else'}`,
  theScript: 'The script',
  lastInTheHead: (count: number) =>
    `${count === 1 ? 'one line' : `${count} lines`}, last in the head, after the page’s own style sheets.`,
  added: 'Added',
  noLineThePage: 'no line: the page links its motions already.',
  whatPinsAndAdjustments:
    'what pins and adjustments need: a track around each pinned stage, and attributes or marks where the lines show them.',
  note: 'Note:',
  removed: 'Removed',
  nothing: 'nothing.',
  thePagesOwnRules: 'the page’s own rules that were imported as motions, and nothing else.',
  thePageHasStyle:
    'the page has style sheets in its body. They come later and win where they set an animation with the same specificity; move the link after them if a motion does not play.',
  browsersWithoutScroll: (fallback: boolean) =>
    `Browsers without scroll-driven animations skip the whole block: the page is static and complete${fallback ? ', unless its script may run' : ''}. The same goes for print. With reduced motion only what each motion allows remains.`,
};

export const liveLinesText = {
  inYourOwnSource: 'In your own source',
  copy: 'Copy',
  whatTheHeadNeeds: 'What the head needs',
  theLinesAtThe:
    'the lines at the end of the head, or import the style sheet and the module where your build takes them in.',
  add: 'Add',
  aTrackAroundEach:
    'a track around each pinned stage in your own components. Until it is there, nothing is pinned.',
  thePairingLineWhen: 'the pairing line when you are done. It does nothing outside of Lyvek.',
  remove: 'Remove',
};

export const motionListText = {
  mutedNotWritten: 'muted, not written',
  withoutTheScript: 'Without the script:',
  asCssAlone: 'As CSS alone:',
};

export const proofText = {
  proof: 'Proof',
  proveAgain: 'Prove again',
  proveIt: 'Prove it',
  scrollsTheFinished: (engine: EngineName) =>
    `${ENGINE_NAMES[engine]} scrolls the finished page on the server …`,
  theFinishedPageIs: (done: number, count: number) =>
    `The finished page is scrolled here: ${done} of ${count} looks.`,
  cancel: 'Cancel',
  runsTheFinishedPage: (places: number) =>
    `Runs the finished page at ${places} places, down and up, lets damped motions settle and pauses timed ones, and shows where a motion differs from the prediction.`,
  proveOnTheServer: 'On the server’s machine:',
  where: (version: string, seconds: number) => `in ${version || 'this browser'}, ${seconds.toFixed(1)} s`,
  also: (version: string, worst: number, stale: boolean) =>
    `In ${version || 'this browser'}: ${
      worst > PROOF_LIMIT ? `differs by ${worst.toFixed(2)}` : `as predicted, within ${worst.toFixed(3)}`
    }${stale ? '; the take has changed since' : ''}.`,
  everythingMatchesThe: 'Everything matches the prediction, within',
  fromWhatWasPredicted: (limit: number) => `from what was predicted, by more than ${limit}.`,
  oneMotionDiffers: 'One motion differs',
  motionsDiffer: (count: number) => `${count} motions differ`,
  theTakeHasChanged: ' The take has changed since.',
  largestDifferencePxOr: 'Largest difference, px or % of the value',
  down: 'down',
  up: 'up',
  other: 'other',
  ofNotProved: (count: number, motions: number) => `${count} of ${motions} not proved`,
};

export const supportText = {
  browsersThatPlayIt: 'Browsers that play it natively',
  sinceVersion: 'since version',
  notYet: 'not yet',
  theOthersPlayIt: 'The others play it by the fallback script.',
  withoutScrollTimelinesThe:
    'Without scroll timelines, what the scroll moves is static and complete, and the rest plays; without triggers, their motions are shown at their end.',
  theOthersShowThe: 'The others show the page static and complete.',
  knownDifferences: 'Known differences between browsers:',
  provedHere: 'Proved on this machine:',
  proved: ({ version, worst, motions, of }: ProvedBefore, when: string, stale: boolean) =>
    `${version || 'this browser'}, ${when}: ${
      worst === null
        ? 'nothing could be looked at'
        : `${motions} of ${of} motions, ${worst > PROOF_LIMIT ? `one differs by ${worst.toFixed(2)}` : 'all as predicted'}`
    }${stale ? '; the take has changed since' : ''}.`,
  fromOpenData: (source: string, date: string, isProved: boolean) =>
    `${isProved ? 'The versions above are from' : 'From'} open compatibility data (${source}, ${date}); not tried here.`,
  differs: (browser: string, motion: string | null, note: string) =>
    `${browser}${motion === null ? '' : `, ${motion}`}: ${note}`,
};

export const takeAwayText = {
  css: 'CSS',
  script: 'Script',
  none: 'none',
  measuredAt: 'Measured at',
  alsoForBrowsersWithout: 'Also for browsers without scroll timelines',
  theyGetAFallback: (count: number) => `they get a fallback script, with ${count} motions as data`,
  theyShowThePage: 'without it they show what the scroll moves complete and static',
  download: 'Download',
  asSoonAsThe: 'As soon as the last edit is saved',
  zip: 'zip',
  waitingUntilTheLast: 'Waiting until the last edit is saved.',
};

export const unmeasuredText = {
  thePageDoesNot: (size: string) =>
    `The page does not respond. Without measuring it at ${size}, no code can be written. The Rundown shows what is wrong.`,
  measuringThePageAt: (size: string) => `Measuring the page at ${size} …`,
  toTheRundown: 'To the Rundown',
};

export const unseenText = {
  measuredAtPx: (name: string, width: number) => `${name}, measured at ${width} px`,
};

export const guideText = {
  whatGoesWhere: 'What goes where',
  theZipHasAll: 'The zip holds the whole page with all of this done. By hand it is:',
  yourHtml: 'Your HTML',
  putBeside: 'New files, beside the page’s HTML:',
  lastInItsHead: 'last in its head, after the page’s own style sheets:',
  installAndStart: 'Install',
  thenInAScript: ', then start it in a script of the page:',
  inAComponent: 'In a component it starts and stops with it:',
  effect: 'useEffect(() => startMotion(), []);',
  aTrackAround: (count: number) =>
    count === 1 ? 'a track around the pinned stage:' : `a track around each of ${count} pinned stages:`,
  attributes: (count: number) => (count === 1 ? 'an attribute:' : `${count} attributes:`),
  marks: (count: number) =>
    `${count === 1 ? 'a data-lv attribute' : `${count} data-lv attributes`}, marked in the HTML beside this: by these the rules find their elements.`,
  removed: (lines: number) =>
    `${lines === 1 ? 'one line goes' : `${lines} lines go`}: imported as motions, which the new style sheet plays.`,
  forThePagesScripts: 'For the page’s own scripts and links',
  can: {
    signal: 'sends its number to scripts whenever it changes, as a bubbling event.',
    threshold: 'tells scripts when its threshold is reached, and when it is left again.',
    'marquee-rest': 'can be stopped.',
    'marquee-run': 'can be started again.',
  } as Record<string, string>,
  isWhereALinkLeads: 'is where this link leads.',
  theCode: 'The code',
  copy: 'Copy',
};

export const inStepText = {
  withYourOwn: 'In step with your own style sheet',
  title: {
    'in-step': (file: string) => `In step with ${file}`,
    conflict: (file: string) => `Conflict with ${file}`,
    broken: (file: string) => `Not in step with ${file}`,
  },
  whatItDoes:
    'Run this in your project while you work. Every edit here is written into your style sheet at once, and edits of the file come back as edits here. lyvek init writes a config that names module, HTML and document too.',
  command: (page: string) =>
    `npx lyvek sync --page "${page.replace(/["\\\\$`]/g, '\\\\$&')}" --css src/motion.css`,
  theCommand: 'The command',
  copy: 'Copy',
  asOf: (revision: number | null) =>
    revision === null ? 'It has not been written yet.' : `Revision ${revision} stands in it.`,
  conflict: (names: string) =>
    `Changed in the file and here: ${names}. Nothing is written until one of the two is undone.`,
  lastChange: (time: string) => `Last change, at ${time}:`,
  theCode: 'The code',
  theDiff: 'The diff',
  copyDiff: 'Copy for git apply',
};

export const codeStyleText = {
  none: 'none',
  prefix: (prefix: string) => (prefix === '' ? codeStyleText.none : `${prefix}-`),
  prefixOfNames: 'Prefix of names',
  prefixExample: (prefix: string) => {
    const name = prefix === '' ? '' : `${prefix}-`;
    return `@keyframes ${name}rise, --${name}step, .${name}hold-stage. Leave it empty for no prefix.`;
  },
  notAPrefix: 'Up to 12 small letters, digits and hyphens; a letter first.',
  forFurtherPages: 'For further pages of this project too',
  cascadeLayer: 'Cascade layer',
  layerExample: (layer: string) =>
    layer === ''
      ? 'Rules in no layer win over rules in layers. Name a layer of yours, such as motion, to put the motions in it.'
      : `@layer ${layer} { … }. Rules of the page in later layers, or in none, win over it. Pins and adjustments stay in no layer.`,
  notALayer:
    'A name as in CSS: letters, digits and hyphens, with points between layers, such as theme.motion.',
  selectors: 'Selectors',
  inFull: 'in full',
  nested: 'nested',
  nestSelectors: 'Nest selectors',
  writeInFull: 'Write selectors in full',
  use: 'Use it',
};

export const tuningText = {
  asCustomProperties: 'Write its numbers as custom properties',
  toTuneIt: 'To tune it, set any of these in a rule of your own:',
};
