/** Constants of the protocol that the probe itself needs; kept apart so that the page does not carry the schemas. */
export const HELLO = 'lyvek-probe-1';

/** Keys that the probe passes on, since the workbench does not hear them while the page has the focus. */
export const FORWARDED_KEYS = [
  'ArrowUp',
  'ArrowDown',
  'PageUp',
  'PageDown',
  'Home',
  'End',
  ' ',
  'Escape',
  'Delete',
  'Backspace',
  '?',
  '+',
  '-',
  '0',
  'a',
  'm',
  'n',
  'z',
  'y',
  'd',
  'b',
  'e',
];
