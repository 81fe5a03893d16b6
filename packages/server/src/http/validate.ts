/** Zod at the border: what comes in is checked, with every problem named. */
import type * as z from 'zod';
import { allWellFormed, listProblems, itemAt } from '@lyvek/core';
import { Problem } from './problem.ts';

/** What no text column takes is replaced and not refused: an edit is never held up by half an emoji. */
export function read<T extends z.ZodType>(schema: T, input: unknown, what = 'request'): z.infer<T> {
  const result = schema.safeParse(allWellFormed(input));
  if (result.success) return result.data;
  const problems = listProblems(result.error);
  const first = itemAt(problems, 0);
  throw new Problem(
    422,
    `This ${what} cannot be used`,
    `${first.path ? `${first.path}: ` : ''}${first.message}`,
    { problems },
  );
}
