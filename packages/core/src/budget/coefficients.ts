/** Prices per unit of each quantity on one class of device, and how far off a prediction made with them may be. */
import * as z from 'zod';
import { deviceById } from './devices.ts';
import { COST_PARTS, QUANTITIES, QUANTITY_NAMES } from './quantities.ts';
import type { Amounts, CostPart, QuantityName } from './quantities.ts';

const unitCost = z.number().finite().min(0).max(10_000);
export const CoefficientsSchema = z.strictObject({
  device: z.string().max(40),
  /** ms per unit */
  unitCosts: z.strictObject(
    Object.fromEntries(QUANTITY_NAMES.map((q) => [q, unitCost])) as Record<QuantityName, typeof unitCost>,
  ),
  /** standard deviation of what is left between prediction and measurement by stretches of frames, as a share of the prediction */
  error: z.number().min(0).max(100),
  /** frames that it was fitted from; 0: the values that Lyvek comes with */
  frames: z.number().int().min(0),
});
export type Coefficients = z.infer<typeof CoefficientsSchema>;

/** Before anything has been measured a prediction may be off by half. */
const UNMEASURED = 0.5;

/** The unit costs that Lyvek comes with; work of the main thread takes as many times as long as the device is slower. */
export function shippedCoefficients(device: string): Coefficients {
  const { slower } = deviceById(device);
  const own = (q: QuantityName) => QUANTITIES[q].value * (QUANTITIES[q].part === 'composite' ? 1 : slower);
  return {
    device,
    unitCosts: Object.fromEntries(QUANTITY_NAMES.map((q) => [q, own(q)])) as Coefficients['unitCosts'],
    error: UNMEASURED,
    frames: 0,
  };
}

/** ms per part of a frame. */
export function computeCost(amounts: Amounts, { unitCosts }: Coefficients): Record<CostPart, number> {
  const out = Object.fromEntries(COST_PARTS.map((p) => [p, 0])) as Record<CostPart, number>;
  for (const q of QUANTITY_NAMES) out[QUANTITIES[q].part] += amounts[q] * unitCosts[q];
  return out;
}
