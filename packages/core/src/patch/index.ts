export { makeDocumentPatch } from './make-patch.ts';
export { applyDocumentPatch, PatchSchema } from './apply-patch.ts';
export type { DocumentPatch } from './apply-patch.ts';
