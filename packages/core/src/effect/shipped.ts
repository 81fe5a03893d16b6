/** The dozen presets that Lyvek ships: defaults of a careful hand, to be used as they are, changed, or deleted. */
import type { Adjustment, Motion, Trigger } from '../motion/index.ts';
import { between } from './effect-definition.ts';
import type { PresetBody } from './preset.ts';

const SOFT = 'cubic-bezier(0.2, 0.6, 0.3, 1)';
const VIEW = {
  kind: 'view' as const,
  subject: 'self',
  axis: 'block' as const,
  insets: ['0px', '0px'] as [string, string],
};

type Given = Pick<Motion, 'keyframes'> & Partial<Motion>;

/** On the view progress of the element that it is put on, unless told otherwise. */
const motion = (name: string, { targets = { selector: '&' }, ...given }: Given): Motion => ({
  id: 'm_one',
  name,
  on: true,
  targets,
  driver: VIEW,
  range: { start: 'entry 5%', end: 'cover 34%' },
  easing: 'linear',
  fill: 'both',
  composite: 'replace',
  damping: { kind: 'none' },
  reducedMotion: 'fade',
  ...given,
});

const around = (declarations: Record<string, string>): Adjustment => ({
  id: 'a_one',
  selector: '&^',
  declarations,
  for: ['m_one'],
});

const appears: Trigger = {
  id: 'g_one',
  name: 'appears',
  on: true,
  subject: '&',
  down: { edge: '0%', line: '82%' },
  up: null,
  plays: 'once',
  back: 'returns',
};
const onTrigger = (duration: number): Partial<Motion> => ({
  driver: { kind: 'trigger', trigger: 'g_one' },
  time: { delay: '0ms', duration: `${duration}ms` },
});
const CHILDREN = { selector: '& > *' };
const WHOLE = { start: 'cover 0%', end: 'cover 100%' };

const body = (one: Motion, rest: Partial<PresetBody> = {}): PresetBody => ({
  motions: [one],
  pins: [],
  triggers: [],
  adjustments: [],
  ...rest,
});

export const SHIPPED_PRESETS: readonly { name: string; body: PresetBody }[] = [
  {
    name: 'Soft arrival',
    body: body(
      motion('arrives', {
        easing: SOFT,
        keyframes: { opacity: between('0', '1'), translate: between('0 36px', '0 0') },
      }),
    ),
  },
  {
    name: 'Arrivals in turn',
    body: body(
      motion('parts arrive', {
        targets: CHILDREN,
        driver: { ...VIEW, subject: '&' },
        stagger: { step: '40px', order: 'page' },
        easing: SOFT,
        keyframes: { opacity: between('0', '1'), translate: between('0 28px', '0 0') },
      }),
    ),
  },
  {
    name: 'Settles from the side',
    body: body(
      motion('settles', {
        keyframes: {
          opacity: [...between('0', '1').slice(0, 1), { at: '45%', value: '1' }, { at: '100%', value: '1' }],
          translate: [
            { at: '0%', value: '-56px 0', easing: SOFT },
            { at: '70%', value: '7px 0', easing: 'ease-in-out' },
            { at: '100%', value: '0 0' },
          ],
        },
      }),
    ),
  },
  {
    name: 'Into focus',
    body: body(
      motion('comes into focus', {
        easing: SOFT,
        keyframes: { opacity: between('0', '1'), filter: between('blur(6px)', 'blur(0px)') },
      }),
    ),
  },
  {
    name: 'Unrolled',
    body: body(
      motion('unrolls', {
        range: { start: 'entry 15%', end: 'cover 45%' },
        easing: SOFT,
        keyframes: { 'clip-path': between('inset(0% 0% 100% 0%)', 'inset(0% 0% 0% 0%)') },
      }),
    ),
  },
  {
    name: 'Drawn apart',
    body: body(
      motion('is drawn apart', {
        range: { start: 'entry 15%', end: 'cover 45%' },
        easing: SOFT,
        keyframes: { 'clip-path': between('inset(0% 50% 0% 50%)', 'inset(0% 0% 0% 0%)') },
      }),
    ),
  },
  {
    name: 'Picture settles',
    body: body(
      motion('settles in its frame', {
        driver: { ...VIEW, subject: '&^' },
        range: { start: 'cover 0%', end: 'cover 60%' },
        easing: 'ease-out',
        keyframes: { scale: between('1.14', '1') },
        reducedMotion: 'drop',
      }),
      { adjustments: [around({ overflow: 'clip' })] },
    ),
  },
  {
    name: 'Steps back',
    body: body(
      motion('steps back', {
        range: { start: 'exit 0%', end: 'exit 90%' },
        fill: 'forwards',
        keyframes: { opacity: between('1', '0.35'), scale: between('1', '0.94') },
        reducedMotion: 'drop',
      }),
    ),
  },
  {
    name: 'Heavy layer',
    body: body(
      motion('lags behind', {
        range: WHOLE,
        keyframes: { translate: between('0 -40px', '0 40px') },
        damping: { kind: 'half-life', halfLife: 90 },
        reducedMotion: 'drop',
      }),
    ),
  },
  {
    name: 'Slow tilt',
    body: body(
      motion('tilts', {
        range: WHOLE,
        keyframes: { rotate: between('-3deg', '3deg') },
        reducedMotion: 'drop',
      }),
    ),
  },
  {
    name: 'Pop, timed',
    body: body(
      motion('pops in', {
        ...onTrigger(420),
        easing: 'cubic-bezier(0.3, 1.5, 0.5, 1)',
        keyframes: { opacity: between('0', '1'), scale: between('0.86', '1') },
      }),
      { triggers: [appears] },
    ),
  },
  {
    name: 'One by one, timed',
    body: body(
      motion('parts appear', {
        ...onTrigger(520),
        targets: CHILDREN,
        stagger: { step: '90ms', order: 'page' },
        easing: SOFT,
        keyframes: { opacity: between('0', '1'), translate: between('0 24px', '0 0') },
      }),
      { triggers: [appears] },
    ),
  },
];
