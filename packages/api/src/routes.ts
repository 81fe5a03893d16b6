/** Every route of the HTTP API, in the order of use. */
import * as z from 'zod';
import { LayoutSchema, RiddenSchema } from '@lyvek/core';
import { route } from './route.ts';
import type { Header } from './route.ts';
import * as shapes from './shapes.ts';

const TAG = 'If-Match names the revision that the change starts from, such as "7"';
const base = {
  name: 'If-Match',
  summary: 'the revision that the change starts from, such as "7"',
  schema: z
    .string(TAG)
    .regex(/^"\d{1,9}"$/, TAG)
    .transform((tag) => Number(tag.slice(1, -1))),
  write: (revision: number) => `"${revision}"`,
} satisfies Header;
const editId = {
  name: 'X-Edit-Id',
  summary: 'a UUID: the same edit sent again is answered as the first time',
  schema: z.uuid(),
  write: (id: string) => id,
} satisfies Header;
const contentHash = {
  name: 'If-Match',
  summary: 'the content of the page that was measured',
  schema: z
    .string('If-Match names the content of the page that was measured')
    .transform((tag) => tag.replace(/^"(.*)"$/, '$1')),
  write: (hash: string) => `"${hash}"`,
} satisfies Header;

const PAGE = { types: ['application/zip', 'text/html'], max: shapes.MAX_PAGE_BYTES };
const ARCHIVE = { types: ['application/zip'], max: shapes.MAX_ARCHIVE_BYTES };
const PICTURE = { types: ['image/png', 'image/jpeg', 'image/webp'], max: shapes.MAX_PICTURE_BYTES };

export const routes = {
  health: route({
    method: 'GET',
    path: '/health',
    summary: 'Whether the server and its database answer',
    answer: shapes.Health,
  }),
  storage: route({
    method: 'GET',
    path: '/storage',
    summary: 'What the data takes on disk',
    answer: shapes.Storage,
  }),
  projects: route({ method: 'GET', path: '/projects', summary: 'All projects', answer: shapes.Projects }),
  createProject: route({
    method: 'POST',
    path: '/projects',
    summary: 'Makes a project',
    body: shapes.NameBody,
    status: 201,
    answer: shapes.Project,
  }),
  shelf: route({
    method: 'GET',
    path: '/projects/:id',
    summary: 'A project with its pages',
    answer: shapes.Shelf,
  }),
  settings: route({
    method: 'GET',
    path: '/projects/:id/settings',
    summary: 'A project’s limits, constants of gestures and recorded scrolling',
    answer: shapes.ProjectSettings,
  }),
  putSettings: route({
    method: 'PUT',
    path: '/projects/:id/settings',
    summary: 'Replaces them',
    body: shapes.ProjectSettings,
    answer: shapes.ProjectSettings,
  }),
  unitCosts: route({
    method: 'GET',
    path: '/projects/:id/unit-costs',
    summary: 'What work costs on each class of device, fitted from the project’s lab trials',
    answer: shapes.UnitCosts,
  }),
  projectArchive: route({
    method: 'GET',
    path: '/projects/:id/archive.zip',
    summary: 'A project with all that is in it, as one file',
    query: shapes.ArchiveQuery,
    answer: { type: 'application/zip' },
  }),
  backup: route({
    method: 'GET',
    path: '/backup.zip',
    summary: 'All data as one file, from one moment',
    answer: { type: 'application/zip' },
  }),
  restore: route({
    method: 'POST',
    path: '/restore',
    summary: 'Brings a project or all data back from such a file; what is there stays',
    body: ARCHIVE,
    status: 201,
    answer: shapes.Restored,
  }),
  addPage: route({
    method: 'POST',
    path: '/projects/:id/pages',
    summary: 'Adds a page: a zip, or one HTML text',
    query: shapes.AddPageQuery,
    body: PAGE,
    status: 201,
    answer: shapes.AddedPage,
  }),
  connectPage: route({
    method: 'POST',
    path: '/projects/:id/live-pages',
    summary: 'Names a page under development on this machine',
    body: shapes.NewLivePage,
    status: 201,
    answer: shapes.Page,
  }),
  page: route({
    method: 'GET',
    path: '/pages/:id',
    summary: 'A page with its takes and layouts',
    answer: shapes.PageWhole,
  }),
  texts: route({
    method: 'GET',
    path: '/pages/:id/texts',
    summary: 'A page’s HTML and style sheets as they were added',
    answer: shapes.PageTexts,
  }),
  imported: route({
    method: 'GET',
    path: '/pages/:id/import',
    summary: 'What a page moves by its own CSS',
    answer: shapes.PageImport,
  }),
  replaceFiles: route({
    method: 'PUT',
    path: '/pages/:id/files',
    summary: 'Adds another version of a page; its takes stay',
    query: shapes.FilesQuery,
    body: PAGE,
    answer: shapes.Page,
  }),
  former: route({
    method: 'GET',
    path: '/pages/:id/former',
    summary: 'The page as it was measured before its files were replaced',
    answer: shapes.FormerLayout,
  }),
  settleFormer: route({
    method: 'DELETE',
    path: '/pages/:id/former',
    summary: 'What takes have lost is settled',
  }),
  videos: route({
    method: 'GET',
    path: '/pages/:id/videos',
    summary: 'What the files of its videos say of themselves',
    answer: shapes.Videos,
  }),
  setOutside: route({
    method: 'PUT',
    path: '/pages/:id/outside',
    summary: 'Whether a page may load files from other hosts while it is previewed',
    body: shapes.OutsideBody,
    answer: shapes.Page,
  }),
  putLayout: route({
    method: 'PUT',
    path: '/pages/:id/layouts',
    summary: 'Stores a measured layout',
    headers: { contentHash },
    body: LayoutSchema,
  }),
  renewCode: route({
    method: 'POST',
    path: '/pages/:id/code',
    summary: 'Gives a page under development another pairing code',
    answer: shapes.Page,
  }),
  createTake: route({
    method: 'POST',
    path: '/pages/:id/takes',
    summary: 'Makes a take',
    body: shapes.NewTake,
    status: 201,
    answer: shapes.Take,
  }),
  takesAway: route({
    method: 'GET',
    path: '/pages/:id/takes/away',
    summary: 'Takes that were put away',
    answer: shapes.Takes,
  }),
  take: route({
    method: 'GET',
    path: '/takes/:id',
    summary: 'A take with its document',
    answer: shapes.TakeDocument,
  }),
  revisions: route({
    method: 'GET',
    path: '/takes/:id/revisions',
    summary: 'Fifty revisions of a take, the newest first',
    query: shapes.RevisionsQuery,
    answer: shapes.Revisions,
  }),
  revision: route({
    method: 'GET',
    path: '/takes/:id/revisions/:number',
    summary: 'A take as it was at one of its revisions',
    answer: shapes.TakeDocument,
  }),
  putDocument: route({
    method: 'PUT',
    path: '/takes/:id/document',
    summary: 'Appends a revision; 412 where another one was faster',
    headers: { base, editId },
    query: shapes.EditQuery,
    body: shapes.PlainDocument,
    answer: shapes.Revision,
  }),
  patchDocument: route({
    method: 'PATCH',
    path: '/takes/:id/document',
    summary:
      'Appends a revision that a patch makes of the one before; 412 where another one was faster, 409 where it does not fit',
    headers: { base, editId },
    query: shapes.EditQuery,
    media: 'application/json-patch+json',
    body: shapes.PlainPatch,
    answer: shapes.Revision,
  }),
  newer: route({
    method: 'GET',
    path: '/takes/:id/newer',
    summary: 'The newest revision of a take, as soon as it is newer than a known one',
    query: shapes.NewerQuery,
    answer: shapes.NewestRevision,
  }),
  sync: route({
    method: 'GET',
    path: '/takes/:id/sync',
    summary: 'The file that a take is kept in step with, while that runs',
    answer: shapes.SyncState,
  }),
  putSync: route({
    method: 'PUT',
    path: '/takes/:id/sync',
    summary: 'Says how a file and a take stand; forgotten after 15 seconds',
    body: shapes.SyncReport,
    status: 204,
  }),
  earlier: route({
    method: 'GET',
    path: '/takes/:id/earlier',
    summary: 'What undoing the newest edit of a browser brings back',
    query: shapes.EarlierQuery,
    answer: shapes.Earlier,
  }),
  handOff: route({
    method: 'GET',
    path: '/takes/:id/hand-off.zip',
    summary: 'The page with its motions, as files',
    query: shapes.HandOffQuery,
    answer: { type: 'application/zip' },
  }),
  startProof: route({
    method: 'POST',
    path: '/takes/:id/proofs',
    summary: 'Keeps the finished hand-off for a few minutes, for a browser to prove it',
    query: shapes.HandOffQuery,
    status: 201,
    answer: shapes.ProofToken,
  }),
  labProof: route({
    method: 'POST',
    path: '/takes/:id/proofs/lab',
    summary: 'Proves the hand-off in a browser on the server’s machine',
    query: shapes.LabProofQuery,
    answer: shapes.ProofResultShape,
  }),
  show: route({
    method: 'GET',
    path: '/takes/:id/show',
    summary:
      'The take on devices: whether it is shown, who waits, and this machine’s addresses; asking keeps it running',
    answer: shapes.ShowState,
  }),
  startShow: route({
    method: 'POST',
    path: '/takes/:id/show',
    summary: 'Opens a listener of its own that shows this take on devices',
    body: shapes.NewShow,
    status: 201,
    answer: shapes.ShowState,
  }),
  stopShow: route({ method: 'DELETE', path: '/takes/:id/show', summary: 'Closes that listener' }),
  followShow: route({
    method: 'PUT',
    path: '/takes/:id/show/follow',
    summary: 'Says where the playhead is, and who follows whom',
    body: shapes.ShowFollow,
    status: 204,
  }),
  admitDevice: route({
    method: 'PUT',
    path: '/takes/:id/show/devices/:name',
    summary: 'Lets a device in that waits, or puts one out',
    body: shapes.Admission,
    answer: shapes.ShowState,
  }),
  rideDevice: route({
    method: 'POST',
    path: '/takes/:id/show/devices/:name/ride',
    summary: 'Has a device scroll the page along a path, and say how its frames went',
    body: shapes.DeviceRide,
    answer: RiddenSchema,
  }),
  recordDevice: route({
    method: 'POST',
    path: '/takes/:id/show/devices/:name/record',
    summary: 'Waits for the next scroll of a finger on a device',
    answer: shapes.DeviceScroll,
  }),
  labEngines: route({
    method: 'GET',
    path: '/lab/engines',
    summary: 'Browsers on the server’s machine that can prove a hand-off',
    answer: shapes.LabEngines,
  }),
  trials: route({
    method: 'GET',
    path: '/pages/:id/trials',
    summary: 'The newest trials of a page',
    answer: shapes.Trials,
  }),
  startTrial: route({
    method: 'POST',
    path: '/takes/:id/trials',
    summary: 'Queues a trial in Chromium on the server’s machine, or keeps one measured elsewhere',
    body: shapes.NewTrial,
    status: 201,
    answer: shapes.Trial,
  }),
  trial: route({
    method: 'GET',
    path: '/trials/:id',
    summary: 'A trial with its frames',
    answer: shapes.TrialWhole,
  }),
  trialFrames: route({
    method: 'GET',
    path: '/trials/:id/frames.csv',
    summary: 'The frames of a finished trial',
    answer: { type: 'text/csv' },
  }),
  repeatTrial: route({
    method: 'POST',
    path: '/trials/:id/again',
    summary: 'Runs a trial of the lab once more, as it was set up then',
    status: 201,
    answer: shapes.Trial,
  }),
  cancelTrial: route({
    method: 'POST',
    path: '/trials/:id/cancel',
    summary: 'Ends a trial that waits or runs',
  }),
  script: route({
    method: 'GET',
    path: '/scripts/:name',
    summary:
      'A script that hand-offs include: runtime, marquees, pointers, events, videos, sequences, texts, fallback',
    answer: { type: 'text/javascript' },
  }),
  presets: route({ method: 'GET', path: '/presets', summary: 'All presets', answer: shapes.Presets }),
  keepPreset: route({
    method: 'POST',
    path: '/presets',
    summary: 'Keeps a preset',
    body: shapes.NewPreset,
    status: 201,
    answer: shapes.Preset,
  }),
  putPreset: route({
    method: 'PUT',
    path: '/presets/:id',
    summary: 'Replaces the content of a preset; 412 where it was changed elsewhere',
    headers: { base },
    body: shapes.PlainPreset,
    answer: shapes.Preset,
  }),
  references: route({
    method: 'GET',
    path: '/pages/:id/references',
    summary: 'Pictures to compare with',
    answer: shapes.ReferenceSets,
  }),
  createReference: route({
    method: 'POST',
    path: '/pages/:id/references',
    summary: 'Makes a reference without pictures',
    body: shapes.NameBody,
    status: 201,
    answer: shapes.ReferenceSet,
  }),
  addPicture: route({
    method: 'POST',
    path: '/references/:id/pictures',
    summary: 'Puts a picture (PNG, JPEG, WebP) at a scroll offset',
    query: shapes.PictureQuery,
    body: PICTURE,
    status: 201,
    answer: shapes.ReferenceSet,
  }),
  movePicture: route({
    method: 'PATCH',
    path: '/pictures/:id',
    summary: 'Moves a picture',
    body: shapes.PictureAt,
    answer: shapes.ReferenceSet,
  }),
  removePicture: route({
    method: 'DELETE',
    path: '/pictures/:id',
    summary: 'Takes a picture out',
    answer: shapes.ReferenceSet,
  }),
  picture: route({ method: 'GET', path: '/pictures/:id', summary: 'A picture', answer: { type: 'image/*' } }),
  schema: route({
    method: 'GET',
    path: '/schemas/:format',
    summary: 'The JSON Schema of a format: document, layout, preset, limits, trace',
    answer: { type: 'application/schema+json' },
  }),
  openApi: route({
    method: 'GET',
    path: '/openapi.json',
    summary: 'This description',
    answer: { type: 'application/json' },
  }),
};

const thing = <const Path extends string, const A extends z.ZodType>(
  path: Path,
  name: string,
  answer: A,
) => ({
  rename: route({
    method: 'PATCH',
    path: `/${path}/:id` as const,
    summary: `Renames a ${name}`,
    body: shapes.NameBody,
    answer,
  }),
  remove: route({
    method: 'DELETE',
    path: `/${path}/:id` as const,
    summary: `Deletes a ${name}; it can be restored`,
  }),
  restore: route({
    method: 'POST',
    path: `/${path}/:id/restore` as const,
    summary: `Restores a deleted ${name}`,
    answer,
  }),
});

/** What is renamed, deleted and restored alike. */
export const THINGS = {
  projects: thing('projects', 'project', shapes.Project),
  pages: thing('pages', 'page', shapes.Page),
  takes: thing('takes', 'take', shapes.Take),
  presets: thing('presets', 'preset', shapes.Preset),
  references: thing('references', 'reference', shapes.ReferenceSet),
};
export type Thing = keyof typeof THINGS;
