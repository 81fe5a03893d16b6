/** Parsing of CSS without css-tree's tables of properties, which weigh more than all the rest and are needed for whole declarations only. */
// Every package that takes this in needs these types.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./css-tree.d.ts" />
import convertor from 'css-tree/convertor';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';

export type { CssNode } from 'css-tree';
export { generate, parse };
export const { toPlainObject } = convertor;
