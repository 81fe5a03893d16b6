/** The first click into a field of a value marks all of it, as the Tab key does; the next one puts the caret where it is. */
import type { FocusEvent, MouseEvent, RefObject } from 'react';
import { useEffect } from 'react';

const clicked = new WeakSet<HTMLInputElement>();

/** what the pointer is bringing the focus to */
let pressed: HTMLInputElement | null = null;

const isMarked = (f: HTMLInputElement) => f.selectionStart === 0 && f.selectionEnd === f.value.length;

export const selectWhole = {
  /** A popover that opens puts the focus into its first field, which the Tab key would have marked. */
  onFocus(e: FocusEvent<HTMLInputElement>): void {
    // A press that brings the focus marks it by its click: marked sooner, the browser would take the press for one on a marked text.
    if (pressed !== e.currentTarget) e.currentTarget.select();
    pressed = null;
  },
  onMouseDown(e: MouseEvent<HTMLInputElement>): void {
    const field = e.currentTarget;
    if (document.activeElement !== field) {
      clicked.delete(field);
      pressed = field;
    }
    // Marked already: the browser would put the caret there.
    else if (!clicked.has(field) && isMarked(field)) e.preventDefault();
  },
  onClick(e: MouseEvent<HTMLInputElement>): void {
    const field = e.currentTarget;
    // Somebody who drew over some of the text wants just that.
    if (!clicked.has(field) && field.selectionStart === field.selectionEnd) field.select();
    clicked.add(field);
  },
};

/** A value that has just been taken, or another one in a field that is in use, is marked: what is typed next replaces it. */
export function useMarkedAnew(field: RefObject<HTMLInputElement | null>, value: string): void {
  useEffect(() => {
    if (!field.current || document.activeElement !== field.current) return;
    clicked.delete(field.current);
    field.current.select();
  }, [field, value]);
}
