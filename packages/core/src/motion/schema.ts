/** How a document is written and read: JSON, versioned; unknown fields are errors with their path. */
import * as z from 'zod';
import { DriverSchema } from '../drivers/index.ts';
import { parseLength } from '../page/index.ts';
import { AdjustmentSchema } from './adjustment.ts';
import { MediaSchema, motionUnder } from './conditions.ts';
import { crossProblems } from './cross-problems.ts';
import { TriggerSchema, MeetingSchema, phasePoint, TimeSchema } from './trigger.ts';
import { PinSchema } from './pin.ts';
import { CueSchema, TiesSchema, withTies } from './tie.ts';
import { id, selector } from './parts.ts';
import { motionProblems } from './motion-rules.ts';
import { RepeatSchema } from './repeat.ts';
import type { Motion, MotionDocument } from './document.ts';
import { upgradedAcceptances, upgradedDocument } from './upgrade.ts';
import { isLayerName, isPrefix } from '../text/index.ts';
import { isNamedPlace, PHASES, STAGGER_ORDERS } from '../timeline/index.ts';
import { parseEasing, parseSequence, valueError } from '../value/index.ts';

const easing = z
  .string()
  .max(4000)
  .superRefine((css, ctx) => {
    const parsed = parseEasing(css);
    if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
  });

/** A length or a percentage of the range; of timed motions a time. */
const staggerStep = z
  .string()
  .max(200)
  .refine((css) => /^-?\d+(\.\d+)?ms$/.test(css) || parseLength(css).ok, 'a step such as 48px, 8% or 40ms');

export { MeetingSchema };

export const RangeSchema = z.strictObject({
  start: z.union([phasePoint('start'), MeetingSchema]),
  end: z.union([phasePoint('end'), MeetingSchema]),
});

const NAMED = new RegExp(`^(?:${PHASES.join('|')}) -?\\d+(?:\\.\\d+)?%$`);
/** A share of the range, or a place at a range name such as `entry 25%`, which keyframes in CSS take without calc(). */
const place = z.string().superRefine((at, ctx) => {
  if (isNamedPlace(at)) {
    if (!NAMED.test(at))
      ctx.addIssue({ code: 'custom', message: 'a place at a range name is written like entry 25%' });
  } else if (!/^\d+(\.\d+)?%$/.test(at)) ctx.addIssue({ code: 'custom', message: 'a place such as 50%' });
  else if (Number.parseFloat(at) > 100)
    ctx.addIssue({ code: 'custom', message: 'keyframes lie between 0% and 100%' });
});
export const KeyframeSchema = z.strictObject({
  at: place,
  /** empty at 0 %: the element’s own value, or what earlier motions show */
  value: z.string().max(1000),
  easing: easing.optional(),
});

const keyframes = z
  .record(z.string().max(80), z.array(KeyframeSchema).min(1).max(500))
  .superRefine((record, ctx) => {
    for (const [property, list] of Object.entries(record))
      list.forEach((k, i) => {
        const message = k.value === '' && k.at === '0%' ? null : valueError(property, k.value);
        if (message) ctx.addIssue({ code: 'custom', message, path: [property, i, 'value'] });
      });
  });

/** How what is shown follows the scroll; see feel/follow.ts for what the numbers mean. */
export const DampingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({
    kind: z.literal('half-life'),
    halfLife: z.number().min(1).max(5000),
    cap: z.number().min(1).max(5000).optional(),
  }),
  z.strictObject({
    kind: z.literal('spring'),
    frequency: z.number().min(0.1).max(30),
    ratio: z.number().min(0.05).max(5),
  }),
]);

/** Each further target a step later. */
const StaggerSchema = z.strictObject({
  step: staggerStep,
  order: z.enum(STAGGER_ORDERS),
  seed: z.number().int().min(0).max(1e6).optional(),
  property: z
    .string()
    .regex(/^--[\w-]+$/)
    .max(80)
    .optional(),
  of: z.enum(['range', 'phase']).optional(),
});

/** A value of a signal at which scripts of the page hear an event; it is left again at `back`, so that a hand that trembles there tells it once. */
export const ThresholdSchema = z
  .strictObject({
    property: z
      .string()
      .regex(/^--signal/)
      .max(80),
    name: z.string().regex(/^[a-z0-9][\w-]{0,39}$/i, 'letters, digits and hyphens'),
    at: z.number().min(-1e6).max(1e6),
    back: z.number().min(-1e6).max(1e6),
  })
  .refine(({ at, back }) => back <= at, 'it is left again below where it is reached');

/** What of a motion differs where a media condition holds. */
const ConditionSchema = z.strictObject({
  media: id,
  on: z.boolean().optional(),
  range: RangeSchema.partial().optional(),
  /** null: all targets alike */
  stagger: StaggerSchema.nullable().optional(),
  /** whole lists, for properties that the motion has anyway */
  keyframes: keyframes.optional(),
});

export const MotionSchema = z
  .strictObject({
    id,
    name: z.string().trim().min(1).max(120),
    on: z.boolean(),
    targets: z.strictObject({ selector }),
    driver: DriverSchema,
    /** what a timed motion keeps for when it is scrubbed again */
    range: RangeSchema.default({ start: 'cover 0%', end: 'cover 100%' }),
    /** ends that hang on a cue or on another motion; the range holds what they amount to */
    ties: TiesSchema.optional(),
    stagger: StaggerSchema.optional(),
    /** of motions on a trigger or at page load */
    time: TimeSchema.optional(),
    /** values of its signals that scripts of the page hear of */
    thresholds: z.array(ThresholdSchema).max(20).optional(),
    /** the pictures that its `--sequence` goes through: `frames/{001..120}.webp` */
    files: z
      .string()
      .max(500)
      .refine((files) => parseSequence(files) !== null, 'numbered pictures, such as frames/{001..120}.webp')
      .optional(),
    /** plays so often over its range, or its time */
    repeat: RepeatSchema.optional(),
    keyframes,
    easing,
    fill: z.enum(['none', 'forwards', 'backwards', 'both']),
    composite: z.enum(['replace', 'add', 'accumulate']),
    damping: DampingSchema,
    /** its numbers are written as custom properties, which rules of the page may set otherwise */
    tunable: z.boolean().optional(),
    /** what is left of it for readers who ask for reduced motion: nothing, its opacity, or all */
    reducedMotion: z.enum(['drop', 'fade', 'keep']),
    conditions: z.array(ConditionSchema).max(20).optional(),
    /** the preset and its part that it was made from, and what that said then */
    preset: z.strictObject({ id: z.uuid(), part: id, hash: z.string().max(20) }).optional(),
  })
  .superRefine((m, ctx) => {
    for (const p of motionProblems(m)) ctx.addIssue({ code: 'custom', ...p });
    m.conditions?.forEach((c, k) => {
      for (const p of motionProblems(motionUnder(m as Motion, [c.media])))
        ctx.addIssue({ code: 'custom', message: p.message, path: ['conditions', k, ...p.path] });
    });
  });

/** A registered custom property (CSS Properties and Values API 1, §2). */
export const PropertySchema = z.strictObject({
  name: z
    .string()
    .regex(/^--[\w-]+$/)
    .max(80),
  syntax: z.string().min(1).max(200),
  inherits: z.boolean(),
  initial: z.string().max(400).optional(),
});

/** How many there may be of each in a document. */
export const MAX_ITEMS = {
  motions: 5000,
  pins: 200,
  triggers: 500,
  cues: 500,
  adjustments: 1000,
  media: 20,
} as const;

/** The fields of a document, without what they must keep to among each other. */
export const DocumentFields = z.strictObject({
  format: z.literal('lyvek-document'),
  version: z.literal(2),
  /** what names in the hand-off’s code begin with; empty: nothing, none: `lv` */
  prefix: z.string().refine(isPrefix, 'up to 12 small letters, digits and hyphens').optional(),
  /** cascade layer in which the hand-off’s motions stand; none: they stand in no layer */
  layer: z.string().refine(isLayerName, 'the name of a cascade layer, such as motion').optional(),
  /** whether the hand-off nests selectors */
  nested: z.boolean().optional(),
  motions: z.array(MotionSchema).max(MAX_ITEMS.motions),
  // Documents from before these existed simply have none.
  pins: z.array(PinSchema).max(MAX_ITEMS.pins).default([]),
  triggers: z.array(TriggerSchema).max(MAX_ITEMS.triggers).default([]),
  cues: z.array(CueSchema).max(MAX_ITEMS.cues).default([]),
  adjustments: z.array(AdjustmentSchema).max(MAX_ITEMS.adjustments).default([]),
  /** media conditions; of several that hold the later one has the last word */
  media: z.array(MediaSchema).max(MAX_ITEMS.media).default([]),
  /** custom properties as the page registered them; others are registered by what they hold */
  properties: z.array(PropertySchema).max(200).default([]),
  /** rules of the page that were read into this document and are taken out of its files at hand-off */
  importedRules: z.array(z.string().max(2000)).max(20_000).default([]),
  /** findings that somebody has accepted: of which check, about what, why, and as it was then */
  accepted: z
    .array(
      z.strictObject({
        check: z.string().max(60),
        where: z.string().max(2000),
        reason: z.string().max(400),
        state: z.string().max(20),
      }),
    )
    .max(500)
    .default([]),
});

/** A document as it is written. */
export const DocumentShape = DocumentFields.superRefine((d, ctx) => {
  for (const { path, message } of crossProblems(d as MotionDocument))
    ctx.addIssue({ code: 'custom', message, path });
});

/** A document as it is read: those of earlier versions become ones of this. */
export const DocumentSchema = z.preprocess((json) => {
  const next = upgradedDocument(json);
  const read = next === json ? null : DocumentShape.safeParse(next);
  return read?.success ? upgradedAcceptances(read.data) : next;
}, DocumentShape);

/** Of documents as they are written now; every earlier one is read, too. */
const VERSION = 2;
const newerWords = (version: number) =>
  `this document is of version ${version}, and this Lyvek reads up to version ${VERSION}: open it with the newer Lyvek that wrote it`;

export interface DocumentProblem {
  path: string;
  message: string;
}

export type DocumentRead =
  { ok: true; document: MotionDocument } | { ok: false; problems: DocumentProblem[] };

/** Reads a document; every problem comes with its path, e.g. `motions[3].range.end`. */
export function readDocument(json: unknown): DocumentRead {
  const version = (json as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > VERSION)
    return { ok: false, problems: [{ path: 'version', message: newerWords(version) }] };
  const result = DocumentSchema.safeParse(json);
  if (result.success) return { ok: true, document: withTies(result.data) };
  return { ok: false, problems: listProblems(result.error) };
}

/** Zod's issues as plain sentences with paths; of a union the nearest branch speaks. */
export function listProblems(error: z.ZodError): DocumentProblem[] {
  return error.issues.map((issue) => ({
    path: issue.path.reduce<string>(
      (p, k) => (typeof k === 'number' ? `${p}[${k}]` : p ? `${p}.${String(k)}` : String(k)),
      '',
    ),
    message:
      issue.code === 'invalid_union' && issue.errors.length
        ? (issue.errors.flat().find((i) => i.code === 'custom')?.message ?? issue.message)
        : issue.message,
  }));
}

/** The published JSON Schema of the document. CSS syntax inside strings is checked beyond it. */
export const documentJsonSchema = () =>
  z.toJSONSchema(DocumentShape, { unrepresentable: 'any', io: 'input' });
