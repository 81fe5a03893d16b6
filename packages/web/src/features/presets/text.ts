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
  noDamping: ', no damping',
  spring: ', spring',
  halfLife: ', half-life',
  pinnedByIts: (by: string) => `pinned by its ${by}`,
  asLongAsThe: 'as long as the strip’s travel',
  includes: (list: string) => `Includes ${list}.`,
  addItToAn:
    'Add it to an element with + Motion. Motions made from a preset can be changed freely; from their inspector the preset can be updated too, and with it everything else made from it.',
};

export const presetsScreenText = {
  nothingWasImported: (name: string, error: string) => `${name}: ${error} Nothing was imported.`,
  importedFrom: (count: number, name: string) =>
    `${count === 1 ? 'One preset was' : `${count} presets were`} imported from ${name}.`,
  wasDeletedMotionsMade: (name: string) => `“${name}” was deleted. Motions made from it stay as they are.`,
  presets: 'Presets',
  findAPreset: 'Find a preset',
  opening: 'opening …',
  noneYet: 'none yet',
  forAllProjects: (count: number) => `${count} for all projects`,
  fromAFile: 'From a file',
  allAsAFile: 'All as a file',
  aPresetIsA: 'A preset is a motion, or several, saved for other elements and other pages.',
  selectBarsInThe:
    'Select bars in the Rundown and choose “Save as preset” under More, or drop a file of presets here.',
  noPresetMatchesClear: 'No preset matches. Clear the search to see all.',
};
