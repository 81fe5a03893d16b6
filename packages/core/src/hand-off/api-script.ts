/** Scrubbed motions as Web Animations on ScrollTimeline and ViewTimeline: data, and a small script that plays it. */
import { itemAt, present } from '../assert/index.ts';
import {
  runtimeImports,
  startText,
  draftCss,
  isEmptyPlan,
  listKeyframes,
  mediaStates,
  splitRange,
  writtenSelector,
} from '../format/index.ts';
import type { CssDraft, Plan } from '../format/index.ts';
import { underMedia } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { findMatches, splitHost } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { isScrubbed } from '../drivers/index.ts';
import { staggerSteps } from '../timeline/index.ts';

interface ApiMotion {
  name: string;
  targets: string;
  /** one list per property */
  keyframes: Record<string, string | number>[][];
  timeline: { view?: string; scroll?: string; axis: string; inset?: string };
  range: [start: string, end: string];
  /** the same where `scroll` is no name of a range */
  common?: [start: string, end: string];
  /** steps by which each target is later, in page order, and what one step is */
  later?: { steps: number[]; by: string };
  fill: string;
  composite: string;
  reducedMotion: Motion['reducedMotion'];
  when?: string;
}

/**
 * Motions that a module can play by itself. Damped ones stay CSS, which the runtime takes over, and so do those of the parts of a text, which the script
 * lays anew at every width.
 */
export const isForApi = ({ driver, damping, targets: { selector } }: Motion): boolean =>
  isScrubbed(driver) && damping.kind === 'none' && splitHost(selector) === selector;

/** `view(inline 10% 0px)`, `scroll(root)` or the name of a timeline that another element carries. */
function makeTimeline(css: string, draft: CssDraft): ApiMotion['timeline'] {
  const [, kind, inner = ''] = /^(view|scroll)\((.*)\)$/.exec(css) ?? [];
  if (kind !== undefined) {
    const axis = /\binline\b/.exec(inner)?.[0] ?? 'block';
    const inset = inner.replace(/^inline\b\s*/, '') || 'auto';
    return kind === 'view' ? { view: '', axis, inset } : { scroll: '', axis };
  }
  const named = present(draft.shared.find(css));
  const owner = writtenSelector(named.owner, itemAt(draft.layouts, 0));
  return named.kind === 'view'
    ? { view: owner, axis: named.axis, inset: named.insets || 'auto' }
    : { scroll: owner, axis: named.axis };
}

function apiMotions(document: MotionDocument, layout: Layout, others: readonly Layout[]): ApiMotion[] {
  const drafts = new Map<string, CssDraft>();
  const makeDraft = (ids: readonly string[]) => {
    const key = ids.join(' ');
    const made = drafts.get(key) ?? draftCss(underMedia(document, ids), layout, 'full-motion', { others });
    drafts.set(key, made);
    return made;
  };
  return document.motions.filter(isForApi).flatMap((m) =>
    mediaStates(document.media.filter((q) => m.conditions?.some((c) => c.media === q.id))).flatMap(
      ({ ids, query }) => {
        const draft = makeDraft(ids);
        const entry = draft.entries.find((e) => e.motion.id === m.id);
        if (!entry) return [];
        const { motion } = entry;
        const held = itemAt(draft.layouts, 0);
        const plain = motion.stagger
          ? draftCss(
              { ...draft.document, motions: [{ ...motion, stagger: undefined }] },
              layout,
              'full-motion',
              { others },
            )
          : draft;
        const written = present(plain.entries.find((e) => e.motion.id === m.id));
        const range = splitRange(written.range);
        const common = written.common ? splitRange(written.common) : null;
        const targets = findMatches(held, motion.targets.selector);
        return [
          {
            name: motion.name,
            targets: writtenSelector(motion.targets.selector, held),
            keyframes: listKeyframes(motion),
            timeline: makeTimeline(entry.timeline, draft),
            range: [range[0] ?? 'normal', range[1] ?? 'normal'],
            ...(common ? { common: [itemAt(common, 0), itemAt(common, 1)] as [string, string] } : {}),
            ...(motion.stagger
              ? {
                  later: {
                    steps: staggerSteps(motion.stagger, targets, held),
                    by: draft.makeStep(motion),
                  },
                }
              : {}),
            fill: motion.fill,
            composite: motion.composite,
            reducedMotion: motion.reducedMotion,
            ...(query === null ? {} : { when: query }),
          },
        ];
      },
    ),
  );
}

/** The module’s text; null where nothing needs one. */
export function apiScript(
  document: MotionDocument,
  layout: Layout,
  others: readonly Layout[],
  plan: Plan,
  title: string,
): string | null {
  const motions = apiMotions(document, layout, others);
  const rest = isEmptyPlan(plan) ? '' : `${runtimeImports(plan)}\n`;
  if (motions.length === 0 && rest === '') return null;
  return `/* ${title.replaceAll('*/', '')} */
${rest}const motions = ${JSON.stringify(motions, null, 2)};
${PLAYER}${rest && `\n${startText(plan)}`}`;
}

/** Plays the data. Everything is made anew when a media condition begins or ceases to hold, and nothing plays in print. */
const PLAYER = `
const supported = 'ViewTimeline' in window;
const knowsScroll = CSS.supports('animation-range-start', 'scroll 0%');
const wantsStill = matchMedia('(prefers-reduced-motion: reduce)');
const conditions = [...new Set(motions.flatMap((m) => m.when ?? []))].map((query) => matchMedia(query));
let playing = [];

function timelineFor({ view, scroll, axis, inset }, target) {
  if (scroll !== undefined)
    return new ScrollTimeline({ source: scroll ? document.querySelector(scroll) : document.scrollingElement, axis });
  const subject = view ? (target.closest(view) ?? document.querySelector(view)) : target;
  return subject && new ViewTimeline({ subject, axis, inset });
}

/** A point of the range so many steps later. */
function shifted(point, steps, by) {
  const [, name = '', offset] = /^([a-z-]+(?![\\w(-]))?\\s*(.*)$/.exec(point);
  return \`\${name} calc(\${offset || '0%'} + \${steps} * \${by})\`.trim();
}

function play() {
  for (const animation of playing) animation.cancel();
  playing = [];
  if (!supported) return;
  for (const m of motions) {
    if (m.when && !matchMedia(m.when).matches) continue;
    if (wantsStill.matches && m.reducedMotion === 'drop') continue;
    const [, host, part = null] = /^(.*?)(::before|::after)?$/s.exec(m.targets);
    const drawn = (e) => !part || !/^(none|normal)$/.test(getComputedStyle(e, part).content);
    [...document.querySelectorAll(host)].filter(drawn).forEach((target, i) => {
      const timeline = timelineFor(m.timeline, target);
      const steps = m.later?.steps[i] ?? 0;
      const [rangeStart, rangeEnd] = ((!knowsScroll && m.common) || m.range).map((p) => (steps ? shifted(p, steps, m.later.by) : p));
      for (const keyframes of m.keyframes) {
        if (wantsStill.matches && m.reducedMotion === 'fade' && !keyframes.some((k) => 'opacity' in k)) continue;
        playing.push(
          target.animate(keyframes, { timeline, rangeStart, rangeEnd, fill: m.fill, composite: m.composite, duration: 'auto', pseudoElement: part }),
        );
      }
    });
  }
}

play();
for (const query of [wantsStill, ...conditions]) query.addEventListener('change', play);
addEventListener('beforeprint', () => playing.forEach((animation) => animation.cancel()));
addEventListener('afterprint', play);
`;
