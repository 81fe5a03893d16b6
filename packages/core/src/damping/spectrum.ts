/**
 * Spectral arc length of a speed profile (Balasubramanian, Melendez-Calderon, Burdet 2012; 2015 for the adaptive cut-off): the
 * length of the normalised magnitude spectrum up to the highest frequency at which it still matters, negative. 0 would be perfectly
 * smooth; a hand that moves once, bell-shaped, has about −1.6, and every hitch makes it longer.
 */

/** Bounds as published in 2015. */
export const SPECTRUM = {
  /** frequencies above are not looked at, Hz */
  highest: 10,
  /** magnitudes below this share of the one at 0 Hz do not count */
  threshold: 0.05,
} as const;

/**
 * Zero padding: the next power of two, times 2 to the power of this. Published as 4, which cuts the cusps of the magnitude off and makes
 * the arc of a constant speed 2 % too short; so more where the transform stays small.
 */
const PADDING = { published: 4, finer: 6, largest: 2 ** 17 };

/** `speed`: samples of a speed at even steps, `rate` of them a second. A profile without any movement has 0. */
export function spectralArcLength(speed: ArrayLike<number>, rate: number): number {
  const n = speed.length;
  if (n < 2) return 0;
  const next = 2 ** Math.ceil(Math.log2(n));
  const size = Math.max(next * 2 ** PADDING.published, Math.min(PADDING.largest, next * 2 ** PADDING.finer));
  const bins = Math.min(size / 2, Math.floor((SPECTRUM.highest * size) / rate) + 1);
  const magnitude = computeSpectrum(speed, size, bins);
  const most = magnitude[0]!;
  if (!(most > 1e-12)) return 0;
  const at = (k: number) => magnitude[k]! / most;
  let last = 0;
  for (let k = 0; k < bins; k++) if (at(k) >= SPECTRUM.threshold) last = k;
  // Between two bins, so that the figure does not leap with the length of the padding.
  const beyond = last + 1 < bins ? (at(last) - SPECTRUM.threshold) / (at(last) - at(last + 1)) : 0;
  const cut = last + beyond;
  if (cut === 0) return 0;
  let length = 0;
  for (let k = 1; k <= last; k++) length += Math.hypot(1 / cut, at(k) - at(k - 1));
  if (beyond > 0) length += Math.hypot(beyond / cut, at(last) - SPECTRUM.threshold);
  return -length;
}

/** Magnitudes of the first `bins` of `size` frequencies, of a signal padded with zeros: a radix-2 transform in place. */
function computeSpectrum(signal: ArrayLike<number>, size: number, bins: number): Float64Array {
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  const bits = Math.log2(size);
  for (let i = 0; i < signal.length; i++) re[reversed(i, bits)] = signal[i]!;
  for (let half = 1; half < size; half *= 2) {
    const turn = -Math.PI / half;
    const [stepRe, stepIm] = [Math.cos(turn), Math.sin(turn)];
    for (let start = 0; start < size; start += 2 * half) {
      let wRe = 1;
      let wIm = 0;
      for (let k = start; k < start + half; k++) {
        const j = k + half;
        const tRe = re[j]! * wRe - im[j]! * wIm;
        const tIm = re[j]! * wIm + im[j]! * wRe;
        re[j] = re[k]! - tRe;
        im[j] = im[k]! - tIm;
        re[k] = re[k]! + tRe;
        im[k] = im[k]! + tIm;
        [wRe, wIm] = [wRe * stepRe - wIm * stepIm, wRe * stepIm + wIm * stepRe];
      }
    }
  }
  const out = new Float64Array(bins);
  for (let k = 0; k < bins; k++) out[k] = Math.hypot(re[k]!, im[k]!);
  return out;
}

function reversed(n: number, bits: number): number {
  let out = 0;
  for (let b = 0; b < bits; b++) out |= ((n >> b) & 1) << (bits - 1 - b);
  return out >>> 0;
}
