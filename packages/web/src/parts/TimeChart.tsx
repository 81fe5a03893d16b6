/** Curves over time, drawn by the chart library, which is loaded when the first one is shown. */
import { useEffect, useRef } from 'react';
import type ApexCharts from 'apexcharts';
import 'apexcharts/dist/apexcharts.css';
import { useTheme } from '../app/theme.ts';

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

/** The library’s own main style sheet is not put into the page when an element of this id is there. */
const STYLE_MARK = 'apexcharts-css';
const token = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

function optionsOf({ height, curves, x, y, marks = [] }: TimeChartProps): ApexCharts.ApexOptions {
  const ink = token('--ink-2');
  const text = { colors: ink, fontSize: '11px', fontFamily: 'inherit' };
  return {
    chart: {
      type: 'line',
      height,
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'inherit',
      foreColor: ink,
      parentHeightOffset: 0,
    },
    series: curves.map((c) => ({ name: c.name, data: c.points.map(([px, py]) => ({ x: px, y: py })) })),
    colors: curves.map((c) => token(c.colour)),
    stroke: {
      width: curves.map((c) => (c.dots ? 1 : 1.5)),
      dashArray: curves.map((c) => (c.dashed ? 4 : 0)),
    },
    markers: { size: curves.map((c) => (c.dots ? 2 : 0)), strokeWidth: 0, hover: { sizeOffset: 1 } },
    legend: { show: false },
    grid: {
      borderColor: token('--line'),
      padding: { top: -18, right: 6, bottom: -6, left: 4 },
    },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: x.max,
      tickAmount: 4,
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
  const holder = useRef<HTMLDivElement>(null);
  const chart = useRef<ApexCharts | null>(null);
  const newest = useRef(props);
  newest.current = props;
  const theme = useTheme();
  useEffect(() => {
    let gone = false;
    if (!document.getElementById(STYLE_MARK)) {
      const mark = document.createElement('meta');
      mark.id = STYLE_MARK;
      document.head.append(mark);
    }
    void import('apexcharts').then(({ default: Apex }) => {
      if (gone || !holder.current) return;
      chart.current = new Apex(holder.current, optionsOf(newest.current));
      void chart.current.render();
    });
    return () => {
      gone = true;
      chart.current?.destroy();
      chart.current = null;
    };
  }, []);
  // What it shows, as text: the same props drawn twice need no second drawing.
  const key = JSON.stringify([props, theme]);
  const drawn = useRef(key);
  useEffect(() => {
    if (drawn.current === key) return;
    drawn.current = key;
    void chart.current?.updateOptions(optionsOf(newest.current), true, false);
  }, [key]);
  return (
    <figure className="time-chart" role="img" aria-label={props.label} style={{ height: props.height }}>
      <div ref={holder} />
    </figure>
  );
}
