/** Values that a browser is known to read otherwise, in a notation that all read alike. */

/** WebKit drops the sign of an axis that points back along x, y or z (docs/engines.md). */
const BACK = /^(-[\d.]+ 0 0|0 -[\d.]+ 0|0 0 -[\d.]+) (\S+)$/;

const AGAINST: Record<string, (css: string) => string> = {
  rotate(css) {
    const [, axis = '', angle = ''] = BACK.exec(css.trim()) ?? [];
    if (axis === '') return css;
    const name = ['x', 'y', 'z'][axis.split(' ').findIndex((n) => n.startsWith('-'))];
    const turned = angle.startsWith('-') ? angle.slice(1) : `-${angle.replace(/^\+/, '')}`;
    return /^-?[\d.]/.test(turned) ? `${name} ${turned}` : css;
  },
};

/** The same value of a property, as every browser reads it. */
export const portable = (property: string, css: string): string => AGAINST[property]?.(css) ?? css;
