/** Zod at the border: what comes in is checked with every problem named, what goes out is checked too. */
import type { Request, Response } from 'express';
import * as z from 'zod';
import { allWellFormed, listProblems } from '@lyvek/core';
import { Problem } from './problem.ts';

/** What no text column takes is replaced and not refused: an edit is never held up by half an emoji. */
export function read<T extends z.ZodType>(schema: T, input: unknown, what = 'request'): z.infer<T> {
  const result = schema.safeParse(allWellFormed(input));
  if (result.success) return result.data;
  const problems = listProblems(result.error);
  const first = problems[0]!;
  throw new Problem(
    422,
    `This ${what} cannot be used`,
    `${first.path ? `${first.path}: ` : ''}${first.message}`,
    { problems },
  );
}

/** The revision that a change starts from, as an entity tag: `"7"`. */
export const IfMatch = z
  .string('If-Match names the revision that the change starts from, such as "7"')
  .regex(/^"\d{1,9}"$/, 'If-Match names the revision that the change starts from, such as "7"')
  .transform((tag) => Number(tag.slice(1, -1)));

/** Answers with JSON that matches the schema; anything else is a fault of ours. */
export function answer<T extends z.ZodType>(res: Response, schema: T, value: z.input<T>, status = 200): void {
  res.status(status).json(schema.parse(value));
}

export const param = (req: Request, name: string): string => String(req.params[name] ?? '');
