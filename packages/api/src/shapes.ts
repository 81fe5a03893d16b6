/** Shapes of the HTTP API: the server answers with them, the interface reads them. */
import * as z from 'zod';
import {
  BANDS,
  CoefficientsSchema,
  GestureValuesSchema,
  LayoutSchema,
  LimitsSchema,
  ENGINES,
  TARGETS,
  isPrefix,
  TraceSchema,
  TrialResultSchema,
  TrialSetupSchema,
  VideoFileSchema,
} from '@lyvek/core';
import type { DocumentPatch, Motion, MotionDocument, PresetBody } from '@lyvek/core';

const hasMotions = (json: unknown) => typeof json === 'object' && json !== null && 'motions' in json;
/**
 * What is passed on as it is: the server reads a document or a preset that comes in with core’s own reader, once. So an answer is not read
 * a second time, and a browser that only shows it does not load what that takes.
 */
export const PlainDocument = z.custom<MotionDocument>(hasMotions);
export const PlainPatch = z.custom<DocumentPatch>(Array.isArray);
export const PlainMotions = z.custom<Motion[]>(Array.isArray);
export const PlainPreset = z.custom<PresetBody>(hasMotions);

/** Largest uploads, bytes. */
export const MAX_PAGE_BYTES = 100e6;
export const MAX_PICTURE_BYTES = 20e6;
export const MAX_ARCHIVE_BYTES = 500e6;

export const Id = z.uuid();
export const Name = z
  .string()
  .trim()
  .min(1, 'a name is needed')
  .max(120, 'a name has at most 120 characters');

export const Health = z.object({
  ok: z.boolean(),
  database: z.boolean(),
  disk: z.boolean(),
  version: z.string(),
});

/** What the data takes on disk, bytes, and how many revisions and files that are. */
export const Storage = z.object({ bytes: z.number(), revisions: z.number(), files: z.number() });

export const Project = z.object({ id: Id, name: z.string(), demo: z.boolean(), pages: z.number().int() });
export const Projects = z.object({ projects: z.array(Project) });
export const NameBody = z.strictObject({ name: Name });

/** What a project decides for all its pages: thresholds of checks, constants of gestures, recorded scrolling, names in code. */
export const ProjectSettings = z.strictObject({
  limits: LimitsSchema.prefault({}),
  gestures: GestureValuesSchema.default({}),
  traces: z.array(TraceSchema).max(12).default([]),
  /** what names in the code of further pages begin with; none: `lv` */
  prefix: z.string().refine(isPrefix, 'up to 12 small letters, digits and hyphens').optional(),
});
export type ProjectSettings = z.infer<typeof ProjectSettings>;

/** A take, and which of its revisions. */
const RevisionOf = z.strictObject({
  takeId: Id,
  revision: z.number().int().min(1).max(2_147_483_647),
});
export const Take = z.object({
  id: Id,
  pageId: Id,
  name: z.string(),
  revision: z.number().int(),
  madeFrom: RevisionOf.nullable(),
});
export const Takes = z.object({ takes: z.array(Take) });
/** What came of adding a page. */
export const AddedPage = z.object({
  id: Id,
  name: z.string(),
  projectId: Id,
  /** other HTML files among those that were added, which are pages too */
  others: z.array(z.string()),
  /** what of it could not be read, in a sentence */
  limit: z.string().optional(),
  /** what became of its own motions, in a sentence */
  proof: z.object({ proved: z.boolean(), message: z.string() }).optional(),
});
export const Page = z.object({
  id: Id,
  projectId: Id,
  name: z.string(),
  entry: z.string(),
  token: z.string(),
  contentHash: z.string(),
  /** it may load files from other hosts while it is previewed */
  outside: z.boolean(),
  /** of a page under development: where its own server shows it, and its pairing code */
  live: z.object({ url: z.string(), code: z.string() }).nullable(),
});

/** The longest path of a file in a page. */
export const MAX_PATH = 200;
export const AddPageQuery = z.object({ name: Name.optional(), entry: z.string().max(MAX_PATH).optional() });
export const FilesQuery = AddPageQuery.pick({ entry: true });

export const OutsideBody = z.strictObject({ outside: z.boolean() });

/** A page on this machine: nothing else may be framed. */
const LoopbackUrl = z
  .url({ protocol: /^https?$/, hostname: /^(localhost|127\.0\.0\.1)$/ })
  .max(500)
  .refine((u) => !/\/\/[^/]*@/.test(u), 'an address without a name and a password');
export const NewLivePage = z.strictObject({ name: Name.optional(), url: LoopbackUrl });
/** What the shelf shows of a page. */
export const PageOnShelf = Page.extend({
  takes: z.array(Take),
  layouts: z.array(LayoutSchema),
  document: PlainDocument.nullable(),
  /** how near the frames of its newest measured trial came to their budget */
  bands: z.array(z.object({ from: z.number(), to: z.number(), band: z.enum(BANDS) })),
});
export const Shelf = z.object({ project: Project, pages: z.array(PageOnShelf) });
export const ArchiveQuery = z.object({ revisions: z.enum(['all', 'newest']).default('all') });
export const Restored = z.object({
  projects: z.array(z.object({ id: Id, name: z.string() })),
  presets: z.number().int(),
});
export const PageWhole = z.object({
  page: Page,
  project: Project,
  takes: z.array(Take),
  layouts: z.array(LayoutSchema),
});

const Place = z.object({
  path: z.string(),
  line: z.number().int(),
  column: z.number().int(),
  from: z.number().int(),
  to: z.number().int(),
});
/** Whether what was taken over from a page was seen to play the same in a browser, and what was left to the page. */
export const ImportProof = z.object({
  proved: z.boolean(),
  /** all of it in a sentence */
  message: z.string(),
  left: z.array(z.object({ selector: z.string(), reason: z.string() })),
});
export type ImportProof = z.infer<typeof ImportProof>;

/** What a page moves by its own CSS. */
export const PageImport = z.object({
  /** null: it moves nothing, or was added before that was proved */
  proof: ImportProof.nullable(),
  document: PlainDocument,
  unsupported: z.array(z.object({ place: Place, what: z.string(), reason: z.string() })),
  mistakes: z.array(
    z.object({
      key: z.string(),
      rule: z.string(),
      kind: z.string(),
      place: Place,
      what: z.string(),
      why: z.string(),
      advice: z.string(),
      /** null: only the page’s author can mend it */
      correction: z.object({ read: PlainDocument, instead: PlainMotions }).nullable(),
    }),
  ),
});
/** A page’s HTML and its style sheets by path. */
export const PageTexts = z.object({ html: z.string(), sheets: z.record(z.string(), z.string()) });
export type PageTexts = z.infer<typeof PageTexts>;
export const HandOffQuery = z.object({
  width: z.coerce.number().int(),
  height: z.coerce.number().int(),
  target: z.enum(TARGETS).default('css'),
  /** with the script for browsers without scroll timelines */
  fallback: z.stringbool().default(false),
});
/** Which browser of the server’s machine proves it. */
export const LabProofQuery = HandOffQuery.extend({ engine: z.enum(ENGINES).default('chromium') });
/** Browsers of the server’s machine: those that are missing say how to get them. */
export const LabEngines = z.array(
  z.object({ name: z.enum(ENGINES), label: z.string(), missing: z.string().nullable() }),
);
/** Where a finished hand-off is kept for a browser to prove it. */
export const ProofToken = z.object({ token: z.string().regex(/^[0-9a-f]{32}$/) });
export const ProofResultShape = z.object({
  /** the browser, as it calls itself */
  version: z.string(),
  looks: z.number().int(),
  elements: z.number().int(),
  values: z.number().int(),
  of: z.object({ motions: z.number().int(), elements: z.number().int() }),
  motions: z.array(
    z.object({
      motion: z.string(),
      down: z.number(),
      up: z.number(),
      at: z.number(),
      property: z.string(),
      shown: z.string(),
      predicted: z.string(),
    }),
  ),
  skipped: z.array(z.object({ motion: z.string(), reason: z.string() })),
  shifted: z.number().int().optional(),
});

/** A page as it was measured before its files were replaced. */
export const FormerLayout = z.object({ layout: LayoutSchema.nullable() });

/** What the files of a page’s videos say of themselves. */
export const Videos = z.object({ videos: z.array(VideoFileSchema) });
export type PageVideos = z.infer<typeof Videos>;

export type PageImport = z.infer<typeof PageImport>;

/** A preset; `uses` counts the takes that have a motion made from it. */
export const Preset = z.object({
  id: Id,
  name: z.string(),
  revision: z.number().int(),
  uses: z.number().int(),
  body: PlainPreset,
});
export const NewPreset = z.strictObject({ name: Name, body: PlainPreset });
export const Presets = z.object({ presets: z.array(Preset) });

/** A trial as a page’s history shows it. */
export const Trial = z.object({
  id: Id,
  pageId: Id,
  takeId: Id,
  revision: z.number().int(),
  kind: z.enum(['here', 'lab']),
  setup: TrialSetupSchema,
  state: z.enum(['queued', 'running', 'done', 'failed', 'cancelled']),
  /** share done */
  progress: z.number(),
  /** why it failed */
  why: z.string().nullable(),
  createdAt: z.string(),
  /** what its frames amount to, once it is done: ms, px, and the share of frames on time */
  summary: z
    .object({
      frames: z.number(),
      onTime: z.number(),
      median: z.number(),
      p95: z.number(),
      worst: z.number(),
      worstAt: z.number(),
      budget: z.number(),
    })
    .nullable(),
});
/** `lab`: whether this server can measure in Chromium. */
export const Trials = z.object({ lab: z.boolean(), trials: z.array(Trial) });
/** Without a result it is put into the lab’s queue; with one it was measured in the asker’s own browser. */
export const NewTrial = z.strictObject({
  setup: TrialSetupSchema,
  result: TrialResultSchema.refine((r) => r.kind === 'here', 'only what was measured here').optional(),
});
/** With the document that it was run with, unless that cannot be read any more, and with its frames once it is done. */
export const TrialWhole = Trial.extend({
  document: PlainDocument.nullable(),
  result: TrialResultSchema.nullable(),
});
export type Trial = z.infer<typeof Trial>;
export type Trials = z.infer<typeof Trials>;
export type TrialWhole = z.infer<typeof TrialWhole>;

/** What work costs on each class of device, fitted from this many trials of the project. */
export const UnitCosts = z.object({
  unitCosts: z.array(z.object({ coefficients: CoefficientsSchema, trials: z.number().int() })),
});

export const TakeDocument = Take.extend({ document: PlainDocument });
export const NewTake = z.strictObject({
  name: Name.optional(),
  document: PlainDocument,
  madeFrom: RevisionOf.optional(),
});
/** What an edit did, for undo after a reload: `before` and `after` name the edit that it undoes or redoes, `sameAs` a revision it brings back. */
export const EditQuery = z.object({
  label: z.string().max(200).optional(),
  author: Id.optional(),
  before: Id.optional(),
  after: Id.optional(),
  sameAs: z.coerce.number().int().min(1).optional(),
});
export type EditQuery = z.infer<typeof EditQuery>;
export const EarlierQuery = z.object({ author: Id });
/** What undoing the newest edit brings back; null where there is none, or where another browser made it. */
export const Earlier = z.object({
  earlier: z.object({ revision: z.number().int(), label: z.string(), document: PlainDocument }).nullable(),
  /** the newest edit was made elsewhere */
  elsewhere: z.boolean(),
});
export const Revisions = z.object({
  revisions: z.array(
    z.object({
      number: z.number().int(),
      at: z.string(),
      motions: z.number().int(),
      /** what the edit did; null of what was made otherwise */
      label: z.string().nullable(),
    }),
  ),
});
export const RevisionsQuery = z.object({
  before: z.coerce.number().int().min(1).max(2_147_483_647).default(2_147_483_647),
});
export type RevisionFacts = z.infer<typeof Revisions>['revisions'][number];

/** Pictures of a page to compare with, each at the scroll offset that it shows. */
export const ReferenceSet = z.object({
  id: Id,
  pageId: Id,
  name: z.string(),
  pictures: z.array(z.object({ id: Id, at: z.number() })),
});
export const ReferenceSets = z.object({ references: z.array(ReferenceSet) });
export const PictureQuery = z.object({ at: z.coerce.number().min(0).max(1_000_000) });
export const PictureAt = z.strictObject({ at: z.number().min(0).max(1_000_000) });
export type ReferenceFacts = z.infer<typeof ReferenceSet>;
export const Revision = z.object({ revision: z.number().int() });
/** What a running `lyvek sync` says of a take and its file. */
export const SyncReport = z.strictObject({
  file: z.string().max(1000),
  state: z.enum(['in-step', 'conflict', 'broken']),
  /** that the file is in step with; of the last time where it is not */
  revision: z.number().int().nullable(),
  /** what is wrong, or was left, in a sentence; empty: nothing */
  message: z.string().max(2000),
  /** what only the developer can write into components: where, why, and the code */
  needs: z
    .array(
      z.strictObject({ file: z.string().max(1000), why: z.string().max(500), code: z.string().max(2000) }),
    )
    .max(100)
    .default([]),
  /** the last change of the files, as a unified diff */
  diff: z.string().max(200_000),
  /** when that was, ISO 8601 */
  changedAt: z.string().max(40).nullable(),
});
export const SyncState = z.object({ sync: SyncReport.nullable() });
/** Who makes what is read back from a file that is kept in step. */
export const SYNC_AUTHOR = '6c79766b-0000-4000-8000-73796e630000';
/** The newest revision, and who made it. */
export const NewestRevision = Revision.extend({ author: z.string().nullable() });
/** Waits until a take has a newer revision than `after`, `wait` seconds at most. */
export const NewerQuery = z.object({
  after: z.coerce.number().int().min(0),
  wait: z.coerce.number().min(0).max(25).default(20),
});

export type PageOnShelf = z.infer<typeof PageOnShelf>;
export type PresetFacts = z.infer<typeof Preset>;
export type PageWhole = z.infer<typeof PageWhole>;
export type Shelf = z.infer<typeof Shelf>;
/** How the scroll of a device and the playhead go together. */
export const ShowMode = z.enum(['follows', 'leads', 'free']);
const pixels = z.number().min(0).max(1e7);
/** What a device says of its page: hostile until it is checked. */
export const DeviceReport = z.strictObject({
  y: pixels,
  /** how far it can be scrolled */
  max: pixels,
  width: pixels,
  height: pixels,
  /** the part of it that is seen between bars and keyboard */
  visual: z.strictObject({
    height: pixels,
    top: z.number().min(-1e6).max(1e6),
    scale: z.number().min(0).max(100),
  }),
  /** device pixels for each px */
  density: z.number().min(0).max(20),
  /** a finger has scrolled since the last report */
  touched: z.boolean(),
});
export const DeviceFacts = z.object({
  id: z.string(),
  /** the letters that it shows while it waits */
  code: z.string(),
  address: z.string(),
  name: z.string(),
  state: z.enum(['waits', 'shows', 'away']),
  report: DeviceReport.nullable(),
});
export const ShowAddress = z.object({ name: z.string(), address: z.string(), own: z.boolean() });
export const NewShow = z.strictObject({
  address: z.string().max(60),
  width: z.number().int().min(200).max(8000),
  height: z.number().int().min(200).max(8000),
});
export const ShowFollow = z.strictObject({ mode: ShowMode, share: z.number().min(0).max(1) });
/** Scrolls along a path, `t` ms and `y` px, and rests. */
export const DeviceRide = z.strictObject({
  path: z
    .strictObject({
      t: z.array(z.number().min(0).max(600_000)).min(2).max(20_000),
      y: z.array(pixels).min(2).max(20_000),
    })
    .refine(({ t, y }) => t.length === y.length, 'as many offsets as times'),
  rest: z.number().min(0).max(10_000),
});
/** A scroll of a finger: ms since it began, and px. */
export const DeviceScroll = z.strictObject({
  samples: z
    .array(z.strictObject({ t: z.number().min(0).max(120_000), y: pixels }))
    .min(2)
    .max(20_000),
});
export const Admission = z.strictObject({ admitted: z.boolean() });
export const ShowState = z.object({
  addresses: z.array(ShowAddress),
  running: z
    .object({
      takeId: z.string(),
      address: z.string(),
      port: z.number().int(),
      /** where six letters are typed, and the link that needs none */
      url: z.string(),
      link: z.string(),
      code: z.string(),
      mode: ShowMode,
      devices: z.array(DeviceFacts),
    })
    .nullable(),
  /** why the last one ended */
  ended: z.string().nullable(),
});
export type ShowMode = z.infer<typeof ShowMode>;
export type DeviceReport = z.infer<typeof DeviceReport>;
export type DeviceFacts = z.infer<typeof DeviceFacts>;
export type ShowAddress = z.infer<typeof ShowAddress>;
export type ShowState = z.infer<typeof ShowState>;
export type SyncReport = z.infer<typeof SyncReport>;
export type TakeDocument = z.infer<typeof TakeDocument>;
export type TakeFacts = z.infer<typeof Take>;
export type ProjectFacts = z.infer<typeof Project>;
export type PageFacts = z.infer<typeof Page>;
