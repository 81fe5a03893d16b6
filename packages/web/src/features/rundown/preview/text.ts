/** Words of the Rundown: the page beside it, by the part that shows them. */

export const gutterText = {
  heightInTheViewport: 'Height in the viewport',
  now: (percent: number) => `now ${percent} %`,
};

export const liveNoteText = {
  waitingFor: (url: string) => `Waiting for ${url}`,
  thePageIsThere: 'The page is there, but its script tag has another pairing code. Use this one:',
  thePageHasGone: 'The page has gone to another address than it was connected under.',
  startYourDevelopmentServer:
    'Start your development server, and put this line into the page’s HTML while you work on it:',
  lineForThePages: 'Line for the page’s HTML',
  copyTheLine: 'Copy the line',
  theLineIsCopied: 'The line is copied.',
  lookAgain: 'Look again',
  withVite: 'With Vite',
  thePluginPutsIt: 'A plugin puts it into the pages of the development server only. In vite.config:',
  plugin: "import lyvek from 'lyvek/vite'\n\nplugins: [lyvek()]",
  andInEnvLocal: 'and in .env.local:',
};

export const moveGripsText = {
  setInThePage: (property: string) => `set ${property} in the page`,
  dragTheElement: 'Drag the element',
  rotateAtTheNearest: 'Rotate, at the nearest keyframe',
  scaleAtTheNearest: 'Scale, at the nearest keyframe',
  moveAtTheNearest: 'Move, at the nearest keyframe',
};

export const shapeGripsText = {
  shape: (property: string) => `Points of ${property}`,
  point: (n: number, of: number, { x, y }: { x: number; y: number }) =>
    `Point ${n} of ${of}, ${Math.round(x)} and ${Math.round(y)} px`,
  pull: 'Drag it, or move it with the arrow keys',
  place: ({ x, y }: { x: number; y: number }) => `${Math.round(x)}, ${Math.round(y)} px`,
};

export const pageNoteText = {
  openingThePage: 'Opening the page …',
  reloadThePage: 'Reload the page',
  openWithoutScripts: 'Open without scripts',
  itsScriptsKeptTaking: 'Its scripts kept taking the keyboard, so they are off.',
  shownWithoutItsScripts: 'Shown without its scripts.',
  runItsScripts: 'Run its scripts',
  thisPageKeepsTaking: 'This page keeps taking the keyboard.',
  itsLoadEventNever: 'Its load event never fired; measured three seconds after its DOM was ready.',
  filesFromWereNot: (hosts: undefined | string, others: string) =>
    `Files from ${hosts}${others} were not loaded.`,
  loadFromOtherHosts: 'Load from other hosts',
};

export const previewText = {
  previewOf: (name: string) => `Preview of ${name}`,
};

export const recorderText = {
  nothingWasScrolledSo: 'Nothing was scrolled, so nothing was recorded.',
  sChosenAsThe: (name: string, seconds: string) => `${name}: ${seconds} s, chosen as the gesture.`,
  endsTheRecordingAnd: 'Ends the recording and chooses it as the gesture',
  recordsHowYouScroll: 'Records how you scroll the page',
  endRecording: 'End recording',
  record: 'Record',
};

export const transportText = {
  thereIsNothingTo: 'There is nothing to scroll',
  space: 'Space',
  stop: 'Stop',
  play: 'Play',
  gesture: (name: string) => `Gesture: ${name}`,
  framesAt: (name: string) => `Frames at ${name}`,
  framesInRange: 'frames in range',
  pxOfScroll: 'px of scroll',
};
