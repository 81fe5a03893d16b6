/** Constants of the protocol that the probe itself needs; kept apart so that the page does not carry the schemas. */
export const HELLO = 'lyvek-probe-1';
