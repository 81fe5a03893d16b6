/** Words of the editor’s parts, by the part that shows them. */

export const axisChoiceText = {
  scrollAxis: 'Scroll axis',
  axis: 'Axis',
  changeTheAxis: 'change the axis',
};

export const dampingFieldText = {
  damping: 'Damping',
  halfLifeMs: 'half-life, ms',
  halfLifeInMs: 'Half-life in ms',
  maximumLagPx: 'maximum lag, px',
  largestLagInPx: 'Largest lag in px',
  fromAFactorPer: 'from a factor per frame at 60 Hz',
  factorPerFrameAt: 'Factor per frame at 60 Hz',
  settlesWithinInS: 'settles within 1 % in, s',
  secondsToCatchUp: 'Seconds to catch up',
  frequencyHz: 'frequency, Hz',
  frequencyInHz: 'Frequency in Hz',
  dampingRatio: 'damping ratio',
  dampingRatioLabel: 'Damping ratio',
  itIsExactlyWhere: 'It is exactly where the scroll puts it, as plain CSS does.',
  scrolledAtPxA: (speed: number) => `Scrolled at ${speed} px a second it stays`,
  behindAfterAPage: 'behind; after a page key it has settled in',
  theSameAtHz: (refresh: number) =>
    `. The same at ${refresh} Hz as at any other rate. The hand-off takes a small script for it.`,
  pxValue: (value: string) => `${value} px`,
  ms: (value: string) => `${value} ms`,
  shootingOverBy: ', shooting over by',
};
