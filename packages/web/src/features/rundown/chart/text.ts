/** Words of the Rundown: the chart, by the part that shows them. */

export const chartText = {
  rundownOfThePage: 'Rundown of the page',
  isNotOnThis: (name: string, reason: string) => `“${name}” is not on this page: ${reason}.`,
  motionsHaveNoPlace: (count: number) => `${count} motions have no place on this page.`,
};

export const cueTabText = {
  moveACue: 'move a cue',
};

export const fanText = {
  stagger: 'Stagger',
  allAlike: 'all alike',
  dragHowMuchLater: 'Drag: how much later each one is; Alt in percent of the range',
};

export const flagMarkText = {
  ms: (effect: string, duration: number) => `${effect}, ${duration} ms`,
  parts: (count: number) => `${count} parts`,
  atPageLoad: 'At page load',
};

export const footText = {
  dashedIs: (count: number) =>
    `Dashed: what the page moves by itself${count === 1 ? '' : `, ${count} times`}.`,
  aDotIs: 'a dot is',
  frames: (per: number) => `${per} frames`,
  thePageEndsAt: (max: string) => `The page ends at ${max} px of scroll.`,
  nothingMovesYetClick: 'Nothing moves yet. Click an element in the page, then press A.',
};

export const holdMarkText = {
  changeTheHold: 'change the hold',
  holdsPx: (px: string) => `holds ${px} px`,
};

export const keyframesText = {
  atPx: (name: string, percent: number, offset: string) => `${name}, ${percent} %, at ${offset} px`,
};

export const pinMarkText = {
  changeThePinsLength: 'change the pin’s length',
  untilPx: (end: string) => `until ${end} px`,
  muted: 'muted',
  pinned: (pin: string) => `pinned ${pin}`,
};

export const ownMarksText = {
  moves: (element: string, properties: string, whose: string) =>
    `${properties} of ${element}: moved by ${whose}. It is shown, and left alone.`,
};

export const readoutText = {
  about: 'about ',
  px: (offset: string) => `${offset} px`,
};

export const stripText = {
  px: (name: undefined | string, offset: string) => `${name ? `${name} · ` : ''}${offset} px`,
};

export const ownAxesText = {
  block: (name: string, px: number) => `inside ${name}, ${px.toLocaleString('en')} px`,
  inline: (name: string, px: number) => `sideways in ${name}, ${px.toLocaleString('en')} px`,
};
