/** The document of Hessle Loom. */
import { motions } from './motions.mjs';

const trigger = (id, name, subject, more) => ({
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
export const makeDocument = (read) => ({
  format: 'lyvek-document',
  version: 2,
  motions: [...motions, ...read.motions],
  pins: [
    {
      id: 'p_bench',
      name: 'Bench',
      on: true,
      stage: '#bench',
      sticky: { by: 'top', inset: '0px' },
      distance: { kind: 'length', value: '500px' },
      overlap: ['0px', '0px'],
      layer: null,
    },
  ],
  triggers: [
    trigger('g_weave', 'Weave', '#weave', { plays: 'once' }),
    trigger('g_stamp', 'Stamp', '#stamp', { back: 'plays-back' }),
    trigger('g_order', 'Order', '#order', { down: { edge: '100%', line: '10%' }, plays: 'once' }),
    trigger('g_bell', 'Bell', '#order', { event: 'click', back: 'plays-back' }),
  ],
  cues: [],
  adjustments: [],
  media: [],
  properties: [],
  importedRules: read.importedRules,
});
