/** The hand-off’s script: the plan as a module beside the page, which starts the runtime. */
import { splitHost } from '../../page/index.ts';
import type { Plan } from '../css/piece.ts';
import type { FallbackPlan } from './fallback-plan.ts';
import { isEmptyPlan } from './plan.ts';

export const RUNTIME_FILE = 'motion-runtime.js';

/** What a browser understands that knows timeline triggers. */
export const TRIGGERS = 'animation-trigger: --t play';

/** Plays everything where scroll timelines are missing, and what is triggered where triggers are. */
export const FALLBACK_FILE = 'motion-fallback.js';

/** Parts of the script that few pages need: each lies beside the runtime where a plan has something for it, and is given to it as an option. */
const PARTS = {
  marquees: { file: 'motion-marquees.js', play: 'playMarquees' },
  pointers: { file: 'motion-pointers.js', play: 'playPointers' },
  events: { file: 'motion-events.js', play: 'playEvents' },
  videos: { file: 'motion-videos.js', play: 'playVideos' },
  texts: { file: 'motion-texts.js', play: 'playTexts' },
  sequences: { file: 'motion-sequences.js', play: 'playSequences' },
} as const;
export type ScriptPart = keyof typeof PARTS;

const FILES_OF_PARTS = Object.fromEntries(
  Object.entries(PARTS).map(([part, { file }]) => [part, file]),
) as Record<ScriptPart, string>;

/** Those that a plan needs. */
export const listParts = (plan: Plan): ScriptPart[] =>
  (Object.keys(PARTS) as ScriptPart[]).filter((part) => plan[part].length > 0);

/** Where each of our scripts is found, beside the module that starts it. */
export const OWN_FILES = {
  runtime: RUNTIME_FILE,
  ...FILES_OF_PARTS,
  fallback: FALLBACK_FILE,
} as const;

/** Imports of the parts of a plan. `from`: where a part is found. */
export const partImports = (plan: Plan, from: (part: ScriptPart) => string): string[] =>
  listParts(plan).map((part) => `import { ${PARTS[part].play} } from '${from(part)}';`);

/** Null where CSS does everything. With `fallback` a browser without scroll timelines gets all of it as data, and the script for that. */
export function scriptText(plan: Plan, title: string, fallback: FallbackPlan | null = null): string | null {
  const head = `/* ${title.replaceAll('*/', '')} */`;
  const json = (data: unknown) => JSON.stringify(data, null, 2);
  if (fallback === null) {
    return isEmptyPlan(plan) ? null : `${head}\n${runtimeImports(plan)}\n${startText(plan)}`;
  }
  const options = startOptions(plan);
  // Timelines are older than triggers: between the two, CSS leaves out what is triggered, and the script plays just that.
  const triggered = fallback.motions.some((m) => m.on.kind === 'trigger')
    ? `
  if (!CSS.supports('${TRIGGERS}')) await play(all.motions.filter((m) => m.on.kind === 'trigger'));`
    : '';
  return `${head}
${runtimeImports(plan)}
const plan = ${json(computePlayed(plan))};
const all = ${json(fallback)};
const play = async (motions) => (await import('./${FALLBACK_FILE}')).start({ ...all, motions });
if (CSS.supports('animation-timeline: view()')) {
  start(document, plan${options});${triggered}
} else {
  start(document, { ...plan, damping: [] }${options});
  await play(all.motions);
}
`;
}

export const KNOWS_TIMELINES = "CSS.supports('animation-timeline: view()')";

/** What takes over animations of scroll timelines, or looks after them; the rest of a plan plays anywhere. */
const NEED_TIMELINES = ['damping', 'travels', 'videos', 'sequences', 'texts'] as const;
const FREE = ['marquees', 'pointers', 'events'] as const;

/**
 * What browsers without scroll timelines get of `plan`, as code: all of it, it without some parts, or null for nothing.
 */
export function withoutTimelines(plan: Plan): string | null {
  if (FREE.every((part) => plan[part].length === 0)) return null;
  // A click can move the parts of a text, too.
  const hasText = plan.events.some((e) => splitHost(e.selector) !== e.selector);
  const left = NEED_TIMELINES.filter((part) => plan[part].length > 0 && !(part === 'texts' && hasText));
  return left.length ? `{ ...plan, ${left.map((part) => `${part}: []`).join(', ')} }` : 'plan';
}

/** Starts a plan in the document, as far as the browser knows what it needs. */
export function startText(plan: Plan): string {
  const [options, free] = [startOptions(plan), withoutTimelines(plan)];
  if (free === 'plan') return `start(document, ${planText(plan)}${options});\n`;
  if (free === null)
    return `// Without scroll timelines nothing else of this plays, and the page stays as it was.
if (${KNOWS_TIMELINES}) start(document, ${planText(plan)}${options});
`;
  return `const plan = ${planText(plan)};
// Without scroll timelines only what needs none plays.
start(document, ${KNOWS_TIMELINES} ? plan : ${free}${options});
`;
}

/** The lines that bring what plays a plan. */
export const runtimeImports = (plan: Plan): string =>
  [
    `import { start } from './${RUNTIME_FILE}';`,
    ...partImports(plan, (part) => `./${OWN_FILES[part]}`),
    '',
  ].join('\n');
/** What `start` is given besides document and plan. */
export function startOptions(plan: Plan): string {
  const parts = listParts(plan).map((part) => `${part}: ${PARTS[part].play}`);
  return parts.length ? `, { ${parts.join(', ')} }` : '';
}

/** The plan as the script takes it. */
export const planText = (plan: Plan): string => JSON.stringify(computePlayed(plan), null, 2);

/** Nobody sees a thousandth of a millisecond. */
const rounded = <D extends object>(damping: D): D =>
  Object.fromEntries(
    Object.entries(damping).map(([k, v]) => [k, typeof v === 'number' ? Number(v.toFixed(3)) : v]),
  ) as D;

/** What the script needs of a plan. */
function computePlayed(plan: Plan) {
  const damping = plan.damping.map(({ names, selector, damping }) => ({
    names,
    selector,
    damping: rounded(damping),
  }));
  const signals = plan.signals.map(({ motion: _, ...signal }) => signal);
  const parts = listParts(plan).map((part) => [
    part,
    (plan[part] as readonly { motion: string }[]).map(({ motion: _, ...one }) => one),
  ]);
  const { media } = plan;
  return {
    ...(media?.length ? { media } : {}),
    damping,
    ...(signals.length ? { signals } : {}),
    ...Object.fromEntries(parts),
    ...(plan.travels.length ? { travels: plan.travels.map(({ selector }) => ({ selector })) } : {}),
  };
}
