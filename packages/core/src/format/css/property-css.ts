/** `@property` of the custom properties that motions write, so that they mix and page CSS may read them. */
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { customSyntax, isCustomProperty } from '../../value/index.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';

/** One piece, or none where no custom property can be registered. */
export function registrations(motions: readonly Motion[], own: MotionDocument['properties'] = []): Piece[] {
  const values = new Map<string, { values: string[]; motions: Set<string> }>();
  for (const m of motions)
    for (const [property, keyframes] of Object.entries(m.keyframes)) {
      if (!isCustomProperty(property)) continue;
      const known = values.get(property) ?? { values: [], motions: new Set() };
      known.values.push(...keyframes.flatMap((s) => (s.value ? [s.value] : [])));
      known.motions.add(m.id);
      values.set(property, known);
    }
  const rules = [...values].flatMap(([property, known]) => {
    const registered = own.find((p) => p.name === property);
    if (registered)
      return [
        `@property ${property} { syntax: "${registered.syntax}"; inherits: ${registered.inherits};${
          registered.initial === undefined ? '' : ` initial-value: ${registered.initial};`
        } }`,
      ];
    const found = customSyntax(known.values);
    return found
      ? [
          `@property ${property} { syntax: "${found.syntax}"; inherits: true; initial-value: ${found.initial}; }`,
        ]
      : [];
  });
  if (rules.length === 0) return [];
  return [
    toPiece({
      id: 'properties',
      motions: [...new Set([...values.values()].flatMap((v) => [...v.motions]))],
      styles: [],
      keyframes: rules.join('\n'),
    }),
  ];
}
