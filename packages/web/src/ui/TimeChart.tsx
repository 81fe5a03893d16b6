/** Curves over time. */
import type ApexCharts from 'apexcharts';
import { ApexFigure, axisText, plainChart, token } from './ApexFigure.tsx';
import { useNarrow } from './use-narrow.ts';

export interface TimeCurve {
  name: string;
  /** a custom property of the theme, such as --ink */
  colour: string;
  dashed?: boolean;
  /** a dot for each point: a frame */
  dots?: boolean;
  points: readonly (readonly [x: number, y: number])[];
}
export interface TimeChartProps {
  label: string;
  height: number;
  curves: readonly TimeCurve[];
  x: { max: number; unit: string };
  y: { min: number; max: number; unit: string };
  /** places on the x axis with a word */
  marks?: readonly { at: number; text: string; end?: boolean }[];
}

function listOptions(
  { height, curves, x, y, marks = [] }: TimeChartProps,
  narrow: boolean,
): ApexCharts.ApexOptions {
  const ink = token('--ink-2');
  const text = axisText();
  return {
    ...plainChart('line', height),
    series: curves.map((c) => ({ name: c.name, data: c.points.map(([px, py]) => ({ x: px, y: py })) })),
    colors: curves.map((c) => token(c.colour)),
    stroke: {
      width: curves.map((c) => (c.dots ? 1 : 1.5)),
      dashArray: curves.map((c) => (c.dashed ? 4 : 0)),
    },
    markers: { size: curves.map((c) => (c.dots ? 2 : 0)), strokeWidth: 0, hover: { sizeOffset: 1 } },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: x.max,
      tickAmount: narrow ? 1 : 4,
      labels: {
        style: text,
        rotate: 0,
        formatter: (v) => `${Math.round(Number(v))}${Number(v) >= x.max - 1 ? ` ${x.unit}` : ''}`,
      },
      axisBorder: { color: token('--line-3') },
      axisTicks: { show: false },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: y.min,
      max: y.max,
      stepSize: 200,
      labels: { style: text, minWidth: 46, formatter: (v) => `${Math.round(v)} ${y.unit}` },
    },
    tooltip: {
      x: { formatter: (v) => `${Math.round(Number(v))} ${x.unit}` },
      y: { formatter: (v) => `${v.toFixed(1)} ${y.unit}` },
    },
    annotations: {
      xaxis: marks.map((m) => ({
        x: m.at,
        borderColor: ink,
        strokeDashArray: 2,
        label: {
          text: m.text,
          orientation: 'horizontal',
          position: m.end ? 'bottom' : 'top',
          textAnchor: m.at > x.max / 2 ? 'end' : 'start',
          offsetX: m.at > x.max / 2 ? -4 : 4,
          offsetY: m.end ? -8 : 26,
          borderWidth: 0,
          style: {
            background: 'transparent',
            color: token('--ink'),
            fontSize: '11px',
            padding: { left: 0, right: 0, top: 0, bottom: 0 },
          },
        },
      })),
    },
  };
}

export function TimeChart(props: TimeChartProps) {
  const narrow = useNarrow();
  return (
    <ApexFigure
      label={props.label}
      height={props.height}
      shows={JSON.stringify([props, narrow])}
      options={() => listOptions(props, narrow)}
    />
  );
}
