/** Which motions the browser plays by itself, which need the script, why, and what it would take to do without. */
import { driverCss } from '../drivers/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import type { Plan } from '../format/index.ts';

export type PlayedBy = 'css' | 'css and script' | 'script';

export interface How {
  motion: string;
  by: PlayedBy;
  /** open standard that plays it, as named in compatibility data */
  needs: 'scroll timelines' | 'triggers' | 'animations' | 'script';
  why: string;
  /** what would have to change so that CSS alone plays it; null where it does */
  instead: string | null;
  /** what is missing where no script runs; null where nothing is */
  without: string | null;
}

/** What browsers have to know to play it without the script, as named in compatibility data. */
export type Feature = Exclude<How['needs'], 'script'> | 'sibling-index()';

/** In the order in which motions need them, each once. */
export function listFeatures(document: MotionDocument, how: readonly How[]): Feature[] {
  const needed = how.flatMap((h): Feature[] => (h.needs === 'script' ? [] : [h.needs]));
  const played = new Set(how.map((h) => h.motion));
  const counts = document.motions.some((m) => played.has(m.id) && m.stagger?.order === 'siblings');
  return [...new Set([...needed, ...(counts ? (['sibling-index()'] as const) : [])])];
}

type Rule = (motion: Motion, plan: Plan) => Pick<How, 'by' | 'why' | 'instead' | 'without'> | null;

/** What brings the script in. The first that applies speaks. */
const SCRIPTED: readonly Rule[] = [
  ({ id }, plan) =>
    plan.marquees.some((b) => b.motion === id)
      ? {
          by: 'script',
          why: 'CSS has no speed that reacts to scroll, and no copies of a strip.',
          instead: 'An endless time animation of a fixed speed, with the copies in the HTML.',
          without: 'The strip does not move.',
        }
      : null,
  ({ id, driver }, plan) =>
    plan.pointers.some((p) => p.motion === id)
      ? {
          by: 'script',
          why: driverCss(driver).why,
          instead: 'Let the scroll drive it.',
          without: 'It stands as the page has it.',
        }
      : null,
  ({ id }, plan) =>
    plan.events.some((e) => e.motion === id)
      ? {
          by: 'script',
          why: 'CSS has no trigger for clicks, the pointer or the focus.',
          instead: 'Let a line start it.',
          without: 'It stands as the page has it.',
        }
      : null,
  ({ id, damping }, plan) =>
    plan.damping.some((f) => f.motion === id)
      ? {
          by: 'css and script',
          why: `It is damped ${damping.kind === 'spring' ? 'with a spring' : 'with a half-life'}, and CSS has no damping.`,
          instead: 'Set its damping to none.',
          without: 'It moves with the scroll, without the lag.',
        }
      : null,
  ({ id }, plan) =>
    plan.signals.some((s) => s.motion === id)
      ? {
          by: 'css and script',
          why: 'Scripts of the page receive its number as an event.',
          instead: 'Let CSS read the custom property, which it can without an event.',
          without: 'CSS still reads the number; scripts get no event.',
        }
      : null,
  ({ id }, plan) =>
    plan.videos.some((v) => v.motion === id)
      ? {
          by: 'css and script',
          why: 'CSS works out the time; the script brings the video there.',
          instead: 'A sequence of pictures, or a video that plays by itself.',
          without: 'The video stays at its first picture, or its poster.',
        }
      : null,
  ({ id }, plan) =>
    plan.sequences.some((s) => s.motion === id)
      ? {
          by: 'css and script',
          why: 'CSS works out which picture it is; the script loads it and shows it.',
          instead: 'A video that plays by itself.',
          without: 'The picture stays the one that the page has.',
        }
      : null,
  ({ id }, plan) =>
    plan.texts.some((t) => t.motion === id)
      ? {
          by: 'css and script',
          why: 'CSS moves the parts; the script takes the text apart, again whenever its width or its words change.',
          instead: 'Move the text as a whole, or uncover it with a mask.',
          without: 'The text stands as it is.',
        }
      : null,
  ({ id }, plan) =>
    plan.travels.some((t) => t.motion === id)
      ? {
          // The script only looks after the focus.
          by: 'css',
          why: 'The span of a pin is a view timeline of its stage; the script only scrolls focused elements into view.',
          instead: null,
          without: 'It travels all the same; focus may land on something out of view.',
        }
      : null,
];

/** In the order of the document; motions that are off are left out. */
export const howPlayed = (document: MotionDocument, plan: Plan): How[] =>
  document.motions
    .filter((m) => m.on || m.conditions?.some((c) => c.on))
    .map((m): How => {
      const scripted = SCRIPTED.map((rule) => rule(m, plan)).find((r) => r !== null);
      const css = driverCss(m.driver);
      return {
        motion: m.id,
        by: scripted?.by ?? 'css',
        needs: scripted?.by === 'script' ? 'script' : css.needs,
        why: scripted?.why ?? css.why,
        instead: scripted?.instead ?? null,
        without: scripted?.without ?? null,
      };
    });
