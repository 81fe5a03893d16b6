/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createStore } from 'zustand/vanilla';
import { withPins, itemAt, present } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { element, makeDocument, makeLayout, motion } from '@lyvek/core/testing';
import { computeBars } from '../../../editor/model/bars.ts';
import { ShownPageContext } from '../../../preview/shown-page.ts';
import type { ShownPage } from '../../../preview/shown-page.ts';
import { OpenedPageContext } from '../../../state/opened-page.ts';
import type { OpenedPage } from '../../../state/opened-page.ts';
import { drag, key, letGo, moveTo, press } from '../../../testing/dom.ts';
import { fakeSession } from '../../../testing/session.ts';
import type { FakeSession } from '../../../testing/session.ts';
import type { Grip } from '../model/moves.ts';
import { RundownContext } from '../rundown-context.ts';
import type { Rundown } from '../rundown-context.ts';
import { useGrip } from './use-grip.ts';
import { dragStore } from '../model/drag-store.ts';

const layout = withPins(
  makeLayout([element({ selector: '#a', box: { x: 0, y: 3000, width: 400, height: 300 } })]),
  [],
);
const document = makeDocument(
  motion({ id: 'm_a', targets: { selector: '#a' }, range: { start: 'entry 0%', end: 'cover 50%' } }),
  motion({ id: 'm_b', targets: { selector: '#a' }, range: { start: 'entry 20%', end: 'cover 80%' } }),
);
const { bars } = computeBars(document, layout);
const [bar] = bars;
const PER = 4;

let fake: FakeSession;
let scrolled: number[];
let rundown: Rundown;
const setGrip = jest.fn();
const select = jest.fn();
function Bar({ grip }: { grip: Grip }) {
  const start = useGrip();
  return (
    <button
      type="button"
      onPointerDown={(e) => start(e, present(bar), grip, (event) => event.clientY * PER)}
    />
  );
}
const show = (grip: Grip, selection: string[] = ['m_a']) => {
  rundown = { ...rundown, selection };
  render(
    <OpenedPageContext value={{ session: fake.session } as OpenedPage}>
      <ShownPageContext
        value={
          {
            link: { scrollTo: (y: number) => scrolled.push(y), store: createStore(() => ({})) },
          } as unknown as ShownPage
        }
      >
        <RundownContext value={{ read: () => rundown, subscribe: () => () => {} }}>
          <Bar grip={grip} />
        </RundownContext>
      </ShownPageContext>
    </OpenedPageContext>,
  );
  return screen.getByRole('button');
};
beforeEach(() => {
  fake = fakeSession(document);
  scrolled = [];
  setGrip.mockClear();
  select.mockClear();
  rundown = {
    bars,
    layout,
    max: itemAt(layout.scrollers, 0).max.block,
    view: { top: 0, per: PER },
    select,
    setGrip,
  } as unknown as Rundown;
});
afterEach(cleanup);

const rangeIn = (id: string, d = fake.document()): Motion['range'] =>
  present(d.motions.find((m) => m.id === id)).range;
const placedAt = (id: string) => {
  const { placed } = present(computeBars(fake.document(), layout).bars.find((b) => b.motion.id === id));
  return { start: Math.round(placed.start), end: Math.round(placed.end) };
};
const before = { a: placedAtFirst(0), b: placedAtFirst(1) };
function placedAtFirst(i: number) {
  return { start: Math.round(itemAt(bars, i).placed.start), end: Math.round(itemAt(bars, i).placed.end) };
}

describe('the end of a bar', () => {
  test('is shown where it is dragged, with the page there, and is one act when it is let go', () => {
    const grip = show('end');
    press(grip, [0, 100]);
    moveTo(grip, [0, 125], { altKey: true });
    expect(rangeIn('m_a')).toEqual(itemAt(document.motions, 0).range);
    expect(rangeIn('m_a', present(fake.tried())).end).not.toBe('cover 50%');
    expect(dragStore.getState().drag).toMatchObject({ grip: 'end', offset: before.a.end + 100 });
    expect(scrolled.at(-1)).toBe(before.a.end + 100);
    letGo(grip, [0, 125], { altKey: true });
    expect(placedAt('m_a')).toEqual({ ...before.a, end: before.a.end + 100 });
    expect(fake.done).toEqual(['move the end']);
    expect(dragStore.getState().drag).toBeNull();
  });
  test('goes back with Esc, exactly', () => {
    const grip = show('end');
    press(grip, [0, 100]);
    moveTo(grip, [0, 160]);
    key('Escape');
    letGo(grip, [0, 160]);
    expect([fake.document(), fake.tried(), fake.done]).toEqual([document, null, []]);
    expect(dragStore.getState().drag).toBeNull();
  });
  test('and so with a pointer that is cancelled', () => {
    const grip = show('start');
    press(grip, [0, 100]);
    moveTo(grip, [0, 60]);
    fireEvent.pointerCancel(grip, { pointerId: 1 });
    expect([fake.document(), fake.tried()]).toEqual([document, null]);
  });
  test('does not pass the other end', () => {
    drag(show('end'), [0, 500], [0, 0], { altKey: true });
    const { start, end } = placedAt('m_a');
    expect(end - start).toBe(10);
  });
  test('catches the end of another bar, unless Alt is held', () => {
    const near = (before.b.end - before.a.end + 8) / PER;
    drag(show('end'), [0, 100], [0, 100 + near]);
    expect(placedAt('m_a').end).toBe(before.b.end);
    cleanup();
    fake = fakeSession(document);
    drag(show('end'), [0, 100], [0, 100 + near], { altKey: true });
    expect(placedAt('m_a').end).toBe(before.b.end + 8);
  });
  test('pressed without a move is the one that the arrows move', () => {
    const grip = show('start');
    press(grip, [0, 100]);
    letGo(grip, [0, 100]);
    expect(setGrip).toHaveBeenLastCalledWith('start');
    expect(fake.done).toEqual([]);
  });
});

describe('a bar', () => {
  test('takes all that are selected with it', () => {
    drag(show('body', ['m_a', 'm_b']), [0, 100], [0, 125], { altKey: true });
    expect(placedAt('m_a')).toEqual({ start: before.a.start + 100, end: before.a.end + 100 });
    expect(placedAt('m_b')).toEqual({ start: before.b.start + 100, end: before.b.end + 100 });
    expect(fake.done).toEqual(['move']);
  });
  test('that is not selected is selected first', () => {
    press(show('body', ['m_b']), [0, 100]);
    expect(select).toHaveBeenCalledWith('m_a', false);
  });
});
