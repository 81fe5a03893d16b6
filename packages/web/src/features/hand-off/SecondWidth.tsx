/**
 * How far a strip travels is a length at every width only when two widths are known: where a take has such a pin and the page was measured
 * at one width, another one is measured here, unseen.
 */
import type { Viewport } from '@lyvek/core';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import { Unseen } from './Unseen.tsx';

const NARROW: Viewport = { width: 390, height: 844 };
const WIDE: Viewport = { width: 1280, height: 800 };

export function SecondWidth() {
  const { page } = useOpenedPage();
  const { viewport } = useShownPage();
  const { measured, others } = useLayout();
  const { pins } = useSettledDocument();
  const travels = pins.some((p) => p.on && p.distance.kind === 'travel');
  const isKnown = others.some((l) => l.viewport.width !== viewport.width);
  if (!travels || !measured || isKnown || page.live) return null;
  return <Unseen at={viewport.width === NARROW.width ? WIDE : NARROW} />;
}
