/** Words of the presets, by the part that shows them. */

export const presetDetailText = {
  changed: (times: number) => `, changed ${times === 1 ? 'once' : `${times} times`}`,
  renameThePreset: 'Rename the preset',
  rename: 'Rename',
  nameOfThePreset: 'Name of the preset',
  makeACopy: 'Make a copy',
  asAFile: 'As a file',
  deleteIt: 'Delete',
  part: 'part',
  moves: 'moves',
  where: 'where',
  values: 'values',
  easingDamping: 'easing, damping',
  noDamping: 'no damping',
  spring: 'spring',
  halfLife: 'half-life',
  pinnedByIts: (by: string) => `pinned by its ${by}`,
  endless: (speed: number) => `endless, ${speed} px/s`,
  pointed: (axis: 'x' | 'y') => (axis === 'x' ? 'the pointer, sideways' : 'the pointer, up and down'),
  trigger: 'trigger,',
  pageLoad: 'page load,',
  after: 'after',
  until: 'until',
  easingFor: (name: string) => `Easing of “${name}”`,
  timeOf: {
    duration: (name: string) => `Duration of “${name}”`,
    delay: (name: string) => `Delay of “${name}”`,
  },
  rangeOf: {
    start: (name: string) => `Start of “${name}”`,
    end: (name: string) => `End of “${name}”`,
  },
  valueOf: (property: string, at: string, name: string) => `${property} at ${at} of “${name}”`,
  asLongAsThe: 'as long as the strip’s travel',
  includes: (list: string) => `Includes ${list}.`,
  addItToAn:
    'Add it to an element with + Motion. What is edited here counts for what is added from now on; motions made from it before say in their inspectors that the preset has changed, and take it over when told to.',
};

export const presetsScreenText = {
  nothingWasImported: (name: string, error: string) => `${name}: ${error} Nothing was imported.`,
  importedFrom: (count: number, name: string) =>
    `${count === 1 ? 'One preset was' : `${count} presets were`} imported from ${name}.`,
  wasDeletedMotionsMade: (name: string) => `“${name}” was deleted. Motions made from it stay as they are.`,
  wasEdited: (name: string) => `“${name}” was edited.`,
  undo: 'Undo',
  presets: 'Presets',
  findAPreset: 'Find a preset',
  opening: 'opening …',
  noneYet: 'none yet',
  forAllProjects: (count: number) => `${count} for all projects`,
  addShipped: (count: number) =>
    count === 1 ? 'Add the one that ships' : `Add the ${count} that ship with Lyvek`,
  shippedAreAdded: (count: number) =>
    count === 1 ? 'One preset was added.' : `${count} presets were added.`,
  fromAFile: 'From a file',
  allAsAFile: 'All as a file',
  aPresetIsA: 'A preset is a motion, or several, saved for other elements and other pages.',
  selectBarsInThe:
    'Select bars in the Rundown and choose “Save as preset” under More, or drop a file of presets here.',
  noPresetMatchesClear: 'No preset matches. Clear the search to see all.',
};
