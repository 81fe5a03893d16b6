/** Words of the Rundown: adding a motion, by the part that shows them. */

export const addMotionText = {
  addAMotion: 'Add a motion',
  forWord: 'for',
  clickAnElementIn: 'click an element in the page',
  itsParent: 'its parent',
  px: (tag: string, width: number, height: number) => `${tag}, ${width} × ${height} px`,
  search: 'Search',
  searchStartingPoints: 'Search starting points',
  close: 'Close',
  esc: 'Esc',
  startingPoints: 'Starting points',
  found: 'Found',
  noStartingPointMatches: 'No starting point matches. Clear the search to see all.',
  itIsInThe:
    'It is in the first screen already, so reveals play backwards as it leaves. Each effect is a starting point that you can change afterwards.',
  eachEffectIsA:
    'Each effect is a starting point: ordinary keyframes, pins and adjustments that you can change afterwards.',
  forElement: (lifted: string) => `For ${lifted}.`,
};
