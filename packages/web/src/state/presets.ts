/** Presets of all projects: read once, given to every screen, and as files. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { PresetFacts } from '@lyvek/api';
import { PresetFileSchema, presetEffect, listProblems, present } from '@lyvek/core';
import type { EffectDefinition, PresetBody } from '@lyvek/core';
import { api } from './api.ts';

const KEY = ['presets'];
const NONE: PresetFacts[] = [];

export function usePresets() {
  const query = useQuery({ queryKey: KEY, queryFn: api.presets, staleTime: 0 });
  const client = useQueryClient();
  const presets = query.data?.presets ?? NONE;
  const effects = useMemo(
    () => new Map<string, EffectDefinition>(presets.map((p) => [p.id, presetEffect(p)])),
    [presets],
  );
  const list = useMemo(() => [...effects.values()], [effects]);
  return {
    presets,
    effects: list,
    findEffect: (id: string) => present(effects.get(id)),
    isPending: query.isPending,
    query,
    refresh: () => client.invalidateQueries({ queryKey: KEY }),
  };
}

export const presetFile = (presets: readonly { name: string; body: PresetBody }[]): string =>
  `${JSON.stringify(
    { format: 'lyvek-presets', version: 2, presets: presets.map(({ name, body }) => ({ name, body })) },
    null,
    2,
  )}\n`;

/** Reads a file of presets; what is wrong comes as one sentence with the place. */
export function readPresetFile(
  text: string,
): { ok: true; presets: { name: string; body: PresetBody }[] } | { ok: false; error: string } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, error: `It is not JSON: ${(error as Error).message}.` };
  }
  const read = PresetFileSchema.safeParse(json);
  if (read.success) return { ok: true, presets: read.data.presets };
  const [first] = listProblems(read.error);
  return {
    ok: false,
    error: `It is not a file of presets: ${present(first).path || 'its format'}: ${present(first).message}.`,
  };
}

/** Hands a text to the browser as a file. */
export function download(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = Object.assign(document.createElement('a'), { href: url, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
