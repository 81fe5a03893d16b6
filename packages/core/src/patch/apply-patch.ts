/** JSON Patch (RFC 6902): what makes one document of another. */
import jsonPatch from 'fast-json-patch';
import { Immer } from 'immer';
import * as z from 'zod';

const pointer = z
  .string()
  .max(2000)
  .regex(/^(?:\/(?:[^~/]|~[01])*)*$/, 'a JSON pointer such as /motions/3/name');

/** `copy` is not among them: with it a few short steps could double a document over and over. */
export const PatchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('replace'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('test'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
      z.strictObject({ op: z.literal('move'), from: pointer, path: pointer }),
    ]),
  )
  .max(50_000);
export type DocumentPatch = z.infer<typeof PatchSchema>;

const { produce } = new Immer({ autoFreeze: false });

/**
 * What a patch makes of a document. What it does not touch is the same object as before. Null where the document does not have what the
 * patch speaks of.
 */
export function applyDocumentPatch(document: object, patch: DocumentPatch): unknown {
  try {
    return produce(document, (draft) => {
      const { newDocument } = jsonPatch.applyPatch<object>(draft, patch, true, true);
      // Returned only where the patch replaces all of it.
      return newDocument === draft ? undefined : newDocument;
    });
  } catch (error) {
    if (error instanceof jsonPatch.JsonPatchError || error instanceof TypeError) return null;
    throw error;
  }
}
