/** Every shortcut of the screens, by what one is doing. */
export const SHORTCUTS: readonly { title: string; keys: readonly (readonly [string, string])[] }[] = [
  {
    title: 'Along the page',
    keys: [
      ['Space', 'Play the scroll, or stop it'],
      ['↑ ↓', 'Scroll by 10 px; with Shift by 100 px; with Alt by one frame of the gesture'],
      ['Home End', 'To the page’s top or end'],
      ['+ −', 'Zoom the lanes in and out'],
      ['0', 'Whole page'],
      ['Ctrl wheel', 'Zoom freely around the pointer'],
    ],
  },
  {
    title: 'Motions',
    keys: [
      ['A', 'Add a motion to the picked element'],
      ['N', 'Next motion; with Shift the previous one'],
      ['Shift click', 'Add to the selection'],
      ['Alt click', 'Pick the element underneath; click again for the one below it'],
      ['Alt Shift click', 'Pick an element whose view progress should drive the selected motion'],
      ['↑ ↓', 'With a motion selected: move it by 1 % of the phase; with Shift 5 %'],
      ['[ ]', 'Choose which end the arrow keys move'],
      ['B', 'Add a keyframe at the playhead, in every animated property of the selection'],
      ['E', 'Scroll to the next start or end; with Shift to the previous one'],
      ['M', 'Mute or unmute'],
      ['S', 'Solo: only what is selected plays in the page'],
      ['Ctrl C · V', 'Copy motions; paste them onto the picked element'],
      ['/', 'Find motions and elements'],
      ['G', 'Scroll to what is selected'],
      ['R', 'Play a trigger’s motions, or an intro, without scrolling'],
      ['Ctrl D', 'Duplicate'],
      ['Del', 'Delete'],
      ['F2', 'Rename'],
    ],
  },
  {
    title: 'While dragging',
    keys: [
      ['Alt', 'No snapping; exact px'],
      ['Ctrl', 'Snap to viewport lines instead of phases'],
      ['Shift', 'The same end of all selected motions'],
      ['Esc', 'Back to where it was'],
      [
        'Keyframes',
        'Click to choose one, Shift click for a run, Ctrl click to add one, Alt drag in the lanes for an area; then ↑ ↓ move them and Del deletes them',
      ],
    ],
  },
  {
    title: 'Takes',
    keys: [
      ['↑ ↓', 'To the next of the five pictures'],
      ['← →', 'The edge between both by 1 %; with Shift 10'],
      ['A B', 'While held: one of them only'],
      ['+ −', 'Pictures closer together, further apart'],
      ['0', 'Pictures over the whole page'],
    ],
  },
  {
    title: 'Everywhere',
    keys: [
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['Ctrl K', 'Find anything that can be done, chosen or opened'],
      ['?', 'This list'],
    ],
  },
];
