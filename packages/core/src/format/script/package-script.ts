/** The hand-off’s script for projects with a bundler: a function that starts it below a root, when and as often as the page asks for it. */
import type { Plan } from '../css/piece.ts';
import type { FallbackPlan } from './fallback-plan.ts';
import { isEmptyPlan } from './plan.ts';
import {
  KNOWS_TIMELINES,
  partImports,
  planText,
  startOptions,
  TRIGGERS,
  withoutTimelines,
} from './script.ts';

/** As it is published: `npm run pack`. */
export const RUNTIME_PACKAGE = '@lyvek/runtime';

interface PackageScriptOptions {
  title: string;
  /** everything as data, for browsers without scroll timelines */
  fallback?: FallbackPlan | null;
  /** with type annotations, for a `.ts` file */
  typed?: boolean;
}

/** Starts a plan below a root, as far as the browser knows what it needs. */
function startBelow(plan: Plan): string {
  const [options, free] = [startOptions(plan), withoutTimelines(plan)];
  if (free === 'plan') return `  return start(root, plan${options});`;
  if (free === null)
    return `  // Without scroll timelines nothing else of this plays, and the page stays as it was.
  if (!${KNOWS_TIMELINES}) return () => undefined;
  return start(root, plan${options});`;
  return `  // Without scroll timelines only what needs none plays.
  return start(root, ${KNOWS_TIMELINES} ? plan : ${free}${options});`;
}

/** Null where CSS does everything. */
export const packageScript = (plan: Plan, options: PackageScriptOptions): string | null =>
  isEmptyPlan(plan) && !options.fallback
    ? null
    : `/* ${options.title.replaceAll('*/', '')} */\n${packageModule(plan, options)}`;

/** The module’s text. Where CSS does everything, its function does nothing, so that what imports it goes on working. */
export function packageModule(
  plan: Plan,
  { fallback = null, typed = false }: Omit<PackageScriptOptions, 'title'>,
): string {
  const type = (name: string) => (typed ? name : '');
  const begin = `${FUNCTION_NOTE}
export function startMotion(root${type(': Document | Element')} = document)${type(': () => void')} {`;
  if (isEmptyPlan(plan) && !fallback)
    return `/** CSS plays everything: there is nothing to start. */
export function startMotion()${type(': () => void')} {
  return () => undefined;
}
`;
  const imports = [
    `import { start } from '${RUNTIME_PACKAGE}';`,
    ...(typed ? [`import type { Plan } from '${RUNTIME_PACKAGE}';`] : []),
    ...partImports(plan, (part) => `${RUNTIME_PACKAGE}/${part}`),
    ...(typed && fallback ? [`import type { FallbackPlan } from '${RUNTIME_PACKAGE}/fallback';`] : []),
  ].join('\n');
  const head = `${imports}\n\nconst plan${type(': Plan')} = ${planText(plan)};\n`;
  const options = startOptions(plan);
  if (!fallback)
    return `${head}
${begin}
${startBelow(plan)}
}
`;
  const triggered = fallback.motions.some((m) => m.on.kind === 'trigger')
    ? `CSS.supports('${TRIGGERS}') ? [] : all.motions.filter((m) => m.on.kind === 'trigger')`
    : '[]';
  return `${head}
const all${type(': FallbackPlan')} = ${JSON.stringify(fallback, null, 2)};

${begin}
  const known = CSS.supports('animation-timeline: view()');
  const stops = [start(root, known ? plan : { ...plan, damping: [] }${options})];
  const motions = known ? ${triggered} : all.motions;
  let stopped = false;
  if (motions.length > 0)
    void import('${RUNTIME_PACKAGE}/fallback').then((fallback) => {
      if (!stopped) stops.push(fallback.start({ ...all, motions }));
    });
  return () => {
    stopped = true;
    for (const stop of stops.splice(0)) stop();
  };
}
`;
}

const FUNCTION_NOTE =
  '/** Plays what CSS alone cannot, below a root, once however often it is started. Returns what stops it. */';

/** What a script of the page says. `module`: the module’s path, as it imports it. */
export const startLines = (module: string): string[] => [
  `import { startMotion } from './${module}';`,
  'startMotion();',
];
