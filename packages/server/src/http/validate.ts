/** Zod at the border: what comes in is checked with every problem named, what goes out is checked too. */
import type { Request, Response } from 'express';
import type { z } from 'zod';
import { problemsOf } from '@lyvek/core';
import { Problem } from './problem.ts';

export function read<T extends z.ZodType>(schema: T, input: unknown, what = 'request'): z.infer<T> {
  const result = schema.safeParse(input);
  if (result.success) return result.data;
  const problems = problemsOf(result.error);
  const first = problems[0]!;
  throw new Problem(
    422,
    `This ${what} cannot be used`,
    `${first.path ? `${first.path}: ` : ''}${first.message}`,
    { problems },
  );
}

/** Answers with JSON that matches the schema; anything else is a fault of ours. */
export function answer<T extends z.ZodType>(res: Response, schema: T, value: z.input<T>, status = 200): void {
  res.status(status).json(schema.parse(value));
}

export const param = (req: Request, name: string): string => String(req.params[name] ?? '');
