/**
 * What the program knows to be there, and the compiler cannot see: said with a check, so that a mistake ends where it is made. Loops
 * that run once per frame and number keep the bare assertion.
 */

/** The item of a list (array or typed array) at an index from 0. Throws a RangeError where there is none. */
export function itemAt<T>(list: ArrayLike<T>, index: number): NonNullable<T> {
  const item = list[index];
  if (item === undefined || item === null) throw new RangeError(`No item ${index} among ${list.length}.`);
  return item;
}

/** The last item of a list. Throws a RangeError where the list is empty. */
export const lastItem = <T>(list: ArrayLike<T>): NonNullable<T> => itemAt(list, list.length - 1);

/** A value that must be there. Throws a TypeError where it is not. */
export function present<T>(value: T): NonNullable<T> {
  if (value === undefined || value === null) throw new TypeError('A value that must be there is missing.');
  return value;
}

export { findOrMake, perObject } from './per-object.ts';
