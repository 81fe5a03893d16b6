/** How far what the browser shows may lie from what the core predicts. */
/** Per property: how far two values may lie apart, in the unit of its numbers. */
export const TOLERANCE: Record<string, number> = {
  opacity: 0.002,
  translate: 0.05,
  scale: 0.002,
  rotate: 0.05,
  filter: 0.05,
  // The browser keeps colours with eight bits a channel.
  color: 1.6 / 255,
  'background-color': 3 / 255,
  'letter-spacing': 0.05,
  'border-radius': 0.05,
  'z-index': 0.01,
  transform: 0.05,
  'clip-path': 0.05,
  perspective: 0.05,
  'background-position': 0.05,
  'stroke-dashoffset': 0.05,
  'stroke-dasharray': 0.05,
  '--amount': 0.03,
  '--reach': 0.05,
  '--tone': 3 / 255,
};

const INITIAL: Record<string, string> = {
  opacity: '1',
  'letter-spacing': '0px',
  'border-radius': '0px',
  'z-index': 'auto',
  'background-color': 'rgba(0, 0, 0, 0)',
  color: 'black',
  'background-position': '0% 0%',
  'stroke-dashoffset': '0px',
  '--amount': '0',
  '--reach': '0px',
  '--tone': 'rgba(0, 0, 0, 0)',
};
export const initialOf = (property: string): string => INITIAL[property] ?? 'none';
