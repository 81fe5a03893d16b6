/** Every route of the HTTP API with its shapes, in the order of use. */
import * as z from 'zod';
import {
  FormerLayout,
  Health,
  NameBody,
  NewLivePage,
  NewPreset,
  NewTake,
  NewTrial,
  OutsideBody,
  Page,
  PageImport,
  PageTexts,
  PageWhole,
  PictureAt,
  Preset,
  Presets,
  UnitCosts,
  Project,
  Projects,
  ProjectSettings,
  ProofResultShape,
  ProofToken,
  ReferenceSet,
  ReferenceSets,
  Revision,
  Revisions,
  Shelf,
  Storage,
  Take,
  TakeDocument,
  Takes,
  Trial,
  Trials,
  TrialWhole,
} from '@lyvek/api';
import { DocumentShape, LayoutSchema, PresetBodyShape, TARGETS } from '@lyvek/core';

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

export interface Operation {
  route: readonly [Method, path: string];
  summary: string;
  query?: z.ZodObject;
  headers?: Record<string, string>;
  /** JSON of a shape, or bytes of one of these types */
  body?: z.ZodType | readonly string[];
  status?: number;
  answer?: z.ZodType | { type: string };
}

const PAGE_TYPES = ['application/zip', 'text/html'];
const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp'];
const IF_MATCH = { 'If-Match': 'the revision that the change starts from, such as "7"' };
const HandOffQuery = z.object({
  width: z.number().int(),
  height: z.number().int(),
  target: z.enum(TARGETS).default('css'),
  fallback: z.boolean().default(false),
});

/** Projects, pages, takes and presets are renamed, deleted and restored alike. */
export const OPERATIONS: readonly Operation[] = [
  { route: ['get', '/health'], summary: 'Whether the server and its database answer', answer: Health },
  { route: ['get', '/storage'], summary: 'What the data takes on disk', answer: Storage },
  { route: ['get', '/projects'], summary: 'All projects', answer: Projects },
  { route: ['post', '/projects'], summary: 'Makes a project', body: NameBody, status: 201, answer: Project },
  { route: ['get', '/projects/:id'], summary: 'A project with its pages', answer: Shelf },
  {
    route: ['get', '/projects/:id/settings'],
    summary: 'A project’s limits, constants of gestures and recorded scrolling',
    answer: ProjectSettings,
  },
  {
    route: ['put', '/projects/:id/settings'],
    summary: 'Replaces them',
    body: ProjectSettings,
    answer: ProjectSettings,
  },
  {
    route: ['get', '/projects/:id/prices'],
    summary: 'What work costs on each class of device, fitted from the project’s lab trials',
    answer: UnitCosts,
  },
  {
    route: ['post', '/projects/:id/pages'],
    summary: 'Adds a page: a zip, or one HTML text',
    query: z.object({ name: z.string().optional(), entry: z.string().optional() }),
    body: PAGE_TYPES,
    status: 201,
    answer: Page.pick({ id: true, name: true, projectId: true }),
  },
  {
    route: ['post', '/projects/:id/live-pages'],
    summary: 'Names a page under development on this machine',
    body: NewLivePage,
    status: 201,
    answer: Page,
  },
  { route: ['get', '/pages/:id'], summary: 'A page with its takes and layouts', answer: PageWhole },
  {
    route: ['get', '/pages/:id/texts'],
    summary: 'A page’s HTML and style sheets as they were added',
    answer: PageTexts,
  },
  {
    route: ['get', '/pages/:id/reading'],
    summary: 'What a page moves by its own CSS',
    answer: PageImport,
  },
  {
    route: ['put', '/pages/:id/files'],
    summary: 'Adds another version of a page; its takes stay',
    query: z.object({ entry: z.string().optional() }),
    body: PAGE_TYPES,
    answer: Page,
  },
  {
    route: ['get', '/pages/:id/former'],
    summary: 'The page as it was measured before its files were replaced',
    answer: FormerLayout,
  },
  {
    route: ['put', '/pages/:id/outside'],
    summary: 'Whether a page may load files from other hosts while it is previewed',
    body: OutsideBody,
    answer: Page,
  },
  { route: ['delete', '/pages/:id/former'], summary: 'What takes have lost is settled', status: 204 },
  {
    route: ['put', '/pages/:id/layouts'],
    summary: 'Stores a measured layout',
    headers: { 'If-Match': 'the content of the page that was measured' },
    body: LayoutSchema,
    status: 204,
  },
  { route: ['post', '/pages/:id/takes'], summary: 'Makes a take', body: NewTake, status: 201, answer: Take },
  {
    route: ['post', '/pages/:id/code'],
    summary: 'Gives a page under development another pairing code',
    answer: Page,
  },
  { route: ['get', '/pages/:id/takes/away'], summary: 'Takes that were put away', answer: Takes },
  { route: ['get', '/takes/:id'], summary: 'A take with its document', answer: TakeDocument },
  {
    route: ['get', '/takes/:id/revisions'],
    summary: 'Fifty revisions of a take, the newest first',
    query: z.object({ before: z.number().int().optional() }),
    answer: Revisions,
  },
  {
    route: ['get', '/takes/:id/revisions/:number'],
    summary: 'A take as it was at one of its revisions',
    answer: TakeDocument,
  },
  {
    route: ['put', '/takes/:id/document'],
    summary: 'Appends a revision; 412 where another one was faster',
    headers: { ...IF_MATCH, 'X-Edit-Id': 'a UUID: the same edit sent again is answered as the first time' },
    body: DocumentShape,
    answer: Revision,
  },
  {
    route: ['get', '/takes/:id/hand-off.zip'],
    summary: 'The page with its motions, as files',
    query: HandOffQuery,
    answer: { type: 'application/zip' },
  },
  {
    route: ['post', '/takes/:id/proofs'],
    summary: 'Keeps the finished hand-off for a few minutes, for a browser to prove it',
    query: HandOffQuery,
    status: 201,
    answer: ProofToken,
  },
  {
    route: ['post', '/takes/:id/proofs/lab'],
    summary: 'Proves the hand-off in Chromium on the server’s machine',
    query: HandOffQuery,
    answer: ProofResultShape,
  },
  { route: ['get', '/pages/:id/trials'], summary: 'The newest trials of a page', answer: Trials },
  {
    route: ['post', '/takes/:id/trials'],
    summary: 'Queues a trial in Chromium on the server’s machine, or keeps one measured elsewhere',
    body: NewTrial,
    status: 201,
    answer: Trial,
  },
  { route: ['get', '/trials/:id'], summary: 'A trial with its frames', answer: TrialWhole },
  {
    route: ['get', '/trials/:id/frames.csv'],
    summary: 'The frames of a finished trial',
    answer: { type: 'text/csv' },
  },
  {
    route: ['post', '/trials/:id/again'],
    summary: 'Runs a trial of the lab once more, as it was set up then',
    status: 201,
    answer: Trial,
  },
  {
    route: ['post', '/trials/:id/cancel'],
    summary: 'Ends a trial that waits or runs',
    status: 204,
  },
  {
    route: ['get', '/runtime.js'],
    summary: 'The script that hand-offs include',
    answer: { type: 'text/javascript' },
  },
  { route: ['get', '/presets'], summary: 'All presets', answer: Presets },
  { route: ['post', '/presets'], summary: 'Keeps a preset', body: NewPreset, status: 201, answer: Preset },
  {
    route: ['put', '/presets/:id'],
    summary: 'Replaces the content of a preset; 412 where it was changed elsewhere',
    headers: IF_MATCH,
    body: PresetBodyShape,
    answer: Preset,
  },
  { route: ['get', '/pages/:id/references'], summary: 'Pictures to compare with', answer: ReferenceSets },
  {
    route: ['post', '/pages/:id/references'],
    summary: 'Makes a reference without pictures',
    body: NameBody,
    status: 201,
    answer: ReferenceSet,
  },
  {
    route: ['post', '/references/:id/pictures'],
    summary: 'Puts a picture (PNG, JPEG, WebP) at a scroll offset',
    query: z.object({ at: z.number() }),
    body: PICTURE_TYPES,
    status: 201,
    answer: ReferenceSet,
  },
  { route: ['patch', '/pictures/:id'], summary: 'Moves a picture', body: PictureAt, answer: ReferenceSet },
  { route: ['delete', '/pictures/:id'], summary: 'Takes a picture out', answer: ReferenceSet },
  { route: ['get', '/pictures/:id'], summary: 'A picture', answer: { type: 'image/*' } },
  ...(['projects', 'pages', 'takes', 'presets', 'references'] as const).flatMap((things): Operation[] => {
    const thing = things.slice(0, -1);
    const answer = { projects: Project, pages: Page, takes: Take, presets: Preset, references: ReferenceSet }[
      things
    ];
    return [
      { route: ['patch', `/${things}/:id`], summary: `Renames a ${thing}`, body: NameBody, answer },
      { route: ['delete', `/${things}/:id`], summary: `Deletes a ${thing}; it can be restored`, status: 204 },
      { route: ['post', `/${things}/:id/restore`], summary: `Restores a deleted ${thing}`, answer },
    ];
  }),
  {
    route: ['get', '/schemas/:format'],
    summary: 'The JSON Schema of a format: document, layout, preset, limits, trace',
    answer: { type: 'application/schema+json' },
  },
  { route: ['get', '/openapi.json'], summary: 'This description', answer: { type: 'application/json' } },
];
