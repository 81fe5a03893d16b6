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
export const spectralArcLength = (speed: ArrayLike<number>, rate: number): number =>
  spectralArcLengths(speed, new Float64Array(speed.length), rate)[0];

/** The same of two profiles of one length, for little more than the price of one. */
export function spectralArcLengths(
  a: ArrayLike<number>,
  b: ArrayLike<number>,
  rate: number,
): [number, number] {
  const n = a.length;
  if (n < 2) return [0, 0];
  const next = 2 ** Math.ceil(Math.log2(n));
  const times = Math.max(2 ** PADDING.published, Math.min(PADDING.largest / next, 2 ** PADDING.finer));
  const size = next * times;
  const bins = Math.min(size / 2, Math.floor((SPECTRUM.highest * size) / rate) + 1);
  return computeSpectra(a, b, { next, times, bins }).map(arcLength) as [number, number];
}

function arcLength(magnitude: Float64Array): number {
  const most = magnitude[0]!;
  if (!(most > 1e-12)) return 0;
  const at = (k: number) => magnitude[k]! / most;
  let last = magnitude.length - 1;
  while (last > 0 && at(last) < SPECTRUM.threshold) last--;
  // Between two bins, so that the figure does not leap with the length of the padding.
  const beyond =
    last + 1 < magnitude.length ? (at(last) - SPECTRUM.threshold) / (at(last) - at(last + 1)) : 0;
  const cut = last + beyond;
  if (cut === 0) return 0;
  let length = 0;
  for (let k = 1; k <= last; k++) length += segment(1 / cut, at(k) - at(k - 1));
  if (beyond > 0) length += segment(beyond / cut, at(last) - SPECTRUM.threshold);
  return -length;
}

/** Neither side is so large or small that squares would not do, and `Math.hypot` takes ten times as long. */
const segment = (x: number, y: number): number => Math.sqrt(x * x + y * y);

interface Padded {
  /** power of two that holds the signal; how many times as long it is made with zeros; how many frequencies are asked for */
  next: number;
  times: number;
  bins: number;
}

/**
 * Magnitudes of the first frequencies of two real signals, padded with zeros. Frequency q·times + r of the padded signal is frequency
 * q of the signal itself, turned by r steps: so as many short transforms do, and none of them sees a zero that was only added. Both
 * signals go in one, as its real and its imaginary part; what is even of the outcome belongs to the first, what is odd to the second.
 */
function computeSpectra(
  a: ArrayLike<number>,
  b: ArrayLike<number>,
  { next, times, bins }: Padded,
): [Float64Array, Float64Array] {
  const out: [Float64Array, Float64Array] = [new Float64Array(bins), new Float64Array(bins)];
  const transform = transformFor(next);
  const turns = turnsFor(next * times);
  const [there, back] = [newSignal(next), newSignal(next)];
  const put = (k: number, x: Signal, i: number, y: Signal, j: number) => {
    if (k >= bins) return;
    out[0][k] = segment(x.re[i]! + y.re[j]!, x.im[i]! - y.im[j]!) / 2;
    out[1][k] = segment(x.re[i]! - y.re[j]!, x.im[i]! + y.im[j]!) / 2;
  };
  for (let r = 0; 2 * r <= times; r++) {
    turn(a, b, r, turns, there);
    transform(there);
    const mirrored = (times - r) % times;
    if (mirrored !== r) {
      turn(a, b, mirrored, turns, back);
      transform(back);
    }
    const other = mirrored === r ? there : back;
    for (let q = 0; q * times < bins; q++) {
      // The mirror image of frequency k is size − k.
      const opposite = r === 0 ? (next - q) % next : next - 1 - q;
      put(q * times + r, there, q, other, opposite);
      if (mirrored !== r) put(q * times + mirrored, other, q, there, next - 1 - q);
    }
  }
  return out;
}

interface Signal {
  re: Float64Array;
  im: Float64Array;
}
const newSignal = (n: number): Signal => ({ re: new Float64Array(n), im: new Float64Array(n) });

/** The signals as one, each sample turned back by `r` steps of the padded circle more than the one before. */
function turn(
  a: ArrayLike<number>,
  b: ArrayLike<number>,
  r: number,
  turns: Signal,
  { re, im }: Signal,
): void {
  re.fill(0);
  im.fill(0);
  const size = turns.re.length;
  for (let n = 0, k = 0; n < a.length; n++, k = (k + r) % size) {
    re[n] = a[n]! * turns.re[k]! - b[n]! * turns.im[k]!;
    im[n] = a[n]! * turns.im[k]! + b[n]! * turns.re[k]!;
  }
}

/** e^(−2πi k ÷ n) for all k. Kept: the same few lengths come again and again. */
const turnsOfLength = new Map<number, Signal>();
function turnsFor(n: number): Signal {
  const known = turnsOfLength.get(n);
  if (known) return known;
  const made = newSignal(n);
  for (let k = 0; k < n; k++) {
    made.re[k] = Math.cos((2 * Math.PI * k) / n);
    made.im[k] = -Math.sin((2 * Math.PI * k) / n);
  }
  turnsOfLength.set(n, made);
  return made;
}

/** A radix-2 transform in place, of a power of two. */
function transformFor(n: number): (signal: Signal) => void {
  const bits = Math.log2(n);
  const order = Uint32Array.from({ length: n }, (_, i) => reversed(i, bits));
  const halves = Array.from({ length: bits }, (_, i) => 2 ** i);
  return (signal) => {
    reorder(signal, order);
    for (const half of halves) {
      if (half === 1) addPairs(signal);
      else join(signal, half, turnsFor(2 * half));
    }
  };
}

function reorder({ re, im }: Signal, order: Uint32Array): void {
  for (let i = 0; i < order.length; i++) {
    const j = order[i]!;
    if (j <= i) continue;
    const x = re[i]!;
    const y = im[i]!;
    re[i] = re[j]!;
    im[i] = im[j]!;
    re[j] = x;
    im[j] = y;
  }
}

/** The first step turns nothing. */
function addPairs({ re, im }: Signal): void {
  for (let k = 0; k + 1 < re.length; k += 2) {
    const x = re[k + 1]!;
    const y = im[k + 1]!;
    re[k + 1] = re[k]! - x;
    im[k + 1] = im[k]! - y;
    re[k]! += x;
    im[k]! += y;
  }
}

/** Transforms of `half` samples each, two by two, as those of twice as many. */
function join({ re, im }: Signal, half: number, { re: cos, im: sin }: Signal): void {
  for (let start = 0; start < re.length; start += 2 * half)
    for (let w = 0; w < half; w++) {
      const k = start + w;
      const j = k + half;
      const x = re[j]! * cos[w]! - im[j]! * sin[w]!;
      const y = re[j]! * sin[w]! + im[j]! * cos[w]!;
      re[j] = re[k]! - x;
      im[j] = im[k]! - y;
      re[k]! += x;
      im[k]! += y;
    }
}

function reversed(n: number, bits: number): number {
  let out = 0;
  for (let b = 0; b < bits; b++) out |= ((n >> b) & 1) << (bits - 1 - b);
  return out >>> 0;
}
