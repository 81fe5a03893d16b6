/** How the author of a page writes what moves, so that it is written like that again. */
import type { MotionDocument } from '../../motion/index.ts';
import { isLayerName } from '../../text/index.ts';
import type { ReadRule } from '../cascade/rules.ts';

/**
 * The cascade layer, where all rules that move something stand in one and the same, so that nothing in the page wins over it; and whether
 * selectors are nested.
 */
export function readCodeStyle(moving: readonly ReadRule[]): Pick<MotionDocument, 'layer' | 'nested'> {
  const layers = new Set(moving.map((r) => r.layerName));
  const [layer = ''] = layers;
  return {
    ...(layers.size === 1 && isLayerName(layer) ? { layer } : {}),
    ...(moving.some((r) => r.isNested) ? { nested: true } : {}),
  };
}
