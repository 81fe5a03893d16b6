import type { ElementFacts } from './layout.ts';

const SHAPE = /^(g|path|rect|circle|ellipse|line|polyline|polygon|text|tspan|image|use)$/;

/** A part of a drawing: its transforms turn about the drawing’s origin unless `transform-box` says otherwise (CSS Transforms 1, §2). */
export const isSvgShape = (e: Pick<ElementFacts, 'tag'>): boolean => SHAPE.test(e.tag);
