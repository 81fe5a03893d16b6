/** The document of Hessle Loom. */
import { motions } from './motions.mjs';

const gate = (id, name, subject, more) => ({
  id,
  name,
  on: true,
  subject,
  down: 'entry 60%',
  up: null,
  plays: 'each-time',
  back: 'keeps-end',
  ...more,
});
/** `read`: what was read from the page’s own style sheet when it was brought. */
export const documentOf = (read) => ({
  format: 'lyvek-document',
  version: 1,
  motions: [...motions, ...read.motions],
  pins: [
    {
      id: 'p_bench',
      name: 'Bench',
      on: true,
      stage: '#bench',
      hold: { by: 'top', inset: '0px' },
      distance: { kind: 'length', value: '500px' },
      overlap: ['0px', '0px'],
      layer: null,
    },
  ],
  gates: [
    gate('g_weave', 'Weave', '#weave', { plays: 'once' }),
    gate('g_stamp', 'Stamp', '#stamp', { back: 'plays-back' }),
    gate('g_order', 'Order', '#order', { down: { edge: '100%', line: '10%' }, plays: 'once' }),
  ],
  cues: [],
  adjustments: [],
  media: [],
  properties: [],
  taken: read.taken,
});
