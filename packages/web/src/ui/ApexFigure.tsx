/** A figure drawn by the chart library, which is loaded when the first one is shown. */
import { useEffect, useRef, useState } from 'react';
import type ApexCharts from 'apexcharts';
import 'apexcharts/dist/apexcharts.css';
import { useTheme } from './theme.ts';
import { apexFigureText } from './text.ts';

/** The library’s own main style sheet is not put into the page when an element of this id is there. */
const STYLE_MARK = 'apexcharts-css';
export const token = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();

export const axisText = () => ({ colors: token('--ink-2'), fontSize: '11px', fontFamily: 'inherit' });

/** What all of them have in common: still, quiet, without tools of their own. */
export const plainChart = (type: 'line' | 'bar', height: number): ApexCharts.ApexOptions => ({
  chart: {
    type,
    height,
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    fontFamily: 'inherit',
    foreColor: token('--ink-2'),
    parentHeightOffset: 0,
  },
  legend: { show: false },
  dataLabels: { enabled: false },
  grid: { borderColor: token('--line'), padding: { top: -18, right: 6, bottom: -6, left: 4 } },
});

/** The chart library, loaded once. */
export const loadCharts = async () => (await import('apexcharts')).default;

interface ApexFigureProps {
  /** what it says, for those who do not see it */
  label: string;
  height: number;
  /** what it shows, as text: the same shown twice needs no second drawing */
  shows: string;
  options(): ApexCharts.ApexOptions;
}

export function ApexFigure({ label, height, shows, options }: ApexFigureProps) {
  const holder = useRef<HTMLDivElement>(null);
  const chart = useRef<ApexCharts | null>(null);
  const newest = useRef(options);
  newest.current = options;
  const theme = useTheme();
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let gone = false;
    if (!document.getElementById(STYLE_MARK)) {
      const mark = document.createElement('meta');
      mark.id = STYLE_MARK;
      document.head.append(mark);
    }
    const draw = async () => {
      try {
        const Apex = await loadCharts();
        if (gone || chart.current || !holder.current) return;
        chart.current = new Apex(holder.current, newest.current());
        setMissing(false);
        await chart.current.render();
      } catch {
        // Away for the moment: it is drawn once there is a connection again.
        if (!gone) setMissing(true);
      }
    };
    const again = () => void draw();
    addEventListener('online', again);
    again();
    return () => {
      gone = true;
      removeEventListener('online', again);
      chart.current?.destroy();
      chart.current = null;
    };
  }, []);
  const key = `${theme} ${shows}`;
  const drawn = useRef(key);
  useEffect(() => {
    if (drawn.current === key) return;
    drawn.current = key;
    void chart.current?.updateOptions(newest.current(), true, false);
  }, [key]);
  return (
    <figure className="time-chart" role="img" aria-label={label} style={{ height }}>
      <div ref={holder} />
      {missing && <p className="quiet">{apexFigureText.thisChartCouldNot}</p>}
    </figure>
  );
}
