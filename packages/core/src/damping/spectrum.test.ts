import { describe, expect, test } from '@jest/globals';
import { spectralArcLength, SPECTRUM } from './spectrum.ts';

/**
 * The definition as published, written out for a known spectrum: −∫₀^ωc √((1/ωc)² + (dV̂/dω)²) dω, where V̂ is the magnitude divided by
 * the one at 0 and ωc the highest frequency, up to 10 Hz, at which V̂ is 0.05 or more.
 */
function published(magnitude: (hz: number) => number): number {
  const n = 200_000;
  const at = (hz: number) => Math.abs(magnitude(hz)) / Math.abs(magnitude(0));
  let cut = 0;
  for (let i = 0; i <= n; i++)
    if (at((i * SPECTRUM.highest) / n) >= SPECTRUM.threshold) cut = (i * SPECTRUM.highest) / n;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += Math.hypot(1 / n, at(((i + 1) * cut) / n) - at((i * cut) / n));
  return -sum;
}

const RATE = 2000;
const sampled = (f: (t: number) => number, seconds: number) =>
  Float64Array.from({ length: Math.round(seconds * RATE) }, (_, i) => f((i + 0.5) / RATE));

describe('spectral arc length', () => {
  test('of a Gaussian bell is what its own spectrum says', () => {
    for (const width of [0.06, 0.1, 0.2]) {
      const bell = sampled((t) => Math.exp(-((t - 1) ** 2) / (2 * width * width)), 2);
      const want = published((hz) => Math.exp(-2 * (Math.PI * hz * width) ** 2));
      expect(Math.abs(spectralArcLength(bell, RATE) - want)).toBeLessThan(0.004);
    }
  });
  test('of a constant speed is that of a sinc', () => {
    const seconds = 0.4;
    const want = published((hz) =>
      hz === 0 ? 1 : Math.sin(Math.PI * hz * seconds) / (Math.PI * hz * seconds),
    );
    expect(
      Math.abs(
        spectralArcLength(
          sampled(() => 1, seconds),
          RATE,
        ) - want,
      ),
    ).toBeLessThan(0.03);
  });
  test('of two equal bells is that of one, times the cosine of their distance', () => {
    const [width, apart] = [0.08, 0.5];
    const g = (t: number) => Math.exp(-(t * t) / (2 * width * width));
    const two = sampled((t) => g(t - 0.6) + g(t - 0.6 - apart), 1.8);
    const want = published(
      (hz) => Math.exp(-2 * (Math.PI * hz * width) ** 2) * Math.cos(Math.PI * hz * apart),
    );
    expect(Math.abs(spectralArcLength(two, RATE) - want)).toBeLessThan(0.03);
  });
  test('does not know how large or how early a movement is', () => {
    const bell = (t: number, at: number) => Math.exp(-((t - at) ** 2) / 0.02);
    const a = spectralArcLength(
      sampled((t) => bell(t, 1), 2),
      RATE,
    );
    const b = spectralArcLength(
      sampled((t) => 70 * bell(t, 0.7), 2),
      RATE,
    );
    expect(a).toBeCloseTo(b, 3);
  });
  test('a hitch makes it longer', () => {
    const smooth = sampled((t) => Math.exp(-((t - 0.5) ** 2) / 0.02), 1);
    const hitch = smooth.map((v, i) => (i % 240 < 120 ? v : 0));
    expect(spectralArcLength(hitch, RATE)).toBeLessThan(spectralArcLength(smooth, RATE) - 0.5);
  });
  test('nothing that moves has none', () => {
    expect(spectralArcLength(new Float64Array(40), 60)).toBe(0);
    expect(spectralArcLength([], 60)).toBe(0);
  });
});
