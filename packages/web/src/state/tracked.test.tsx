/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { createContext, useContext, useState } from 'react';
import { present } from '@lyvek/core';
import type { ReactNode } from 'react';
import { useSource, useTracked } from './tracked.ts';
import type { Source } from './tracked.ts';

interface Shared {
  query: string;
  setQuery(text: string): void;
  count: number;
  setCount(n: number): void;
}
const Context = createContext<Source<Shared> | null>(null);
const useShared = () => useTracked(present(useContext(Context)));
let drawn: Record<string, number> = {};
const draw = (name: string) => (drawn[name] = (drawn[name] ?? 0) + 1);

function Provider({ children }: { children: ReactNode }) {
  const [query, setQuery] = useState('');
  const [count, setCount] = useState(0);
  return <Context value={useSource({ query, setQuery, count, setCount })}>{children}</Context>;
}
function Field() {
  draw('field');
  const { query, setQuery } = useShared();
  const [, same] = useState(true);
  const type = (text: string) => {
    setQuery(text);
    // Sets what is there already, after which React may draw once without using it.
    same(true);
  };
  return <input value={query} onChange={(e) => type(e.target.value)} />;
}
function Counter() {
  draw('counter');
  const shared = useShared();
  return (
    <button type="button" onClick={() => shared.setCount(shared.query.length + shared.count + 1)}>
      {shared.count}
    </button>
  );
}
/** Counts itself too, so that it is drawn in the same turn as the provider. */
function Both() {
  draw('both');
  const { count, setCount } = useShared();
  const [own, setOwn] = useState(0);
  return (
    <button type="button" onClick={() => (setOwn(own + 1), setCount(count + 1))}>
      {`${count} ${own}`}
    </button>
  );
}
afterEach(() => {
  cleanup();
  drawn = {};
});
const renderParts = () =>
  render(<Provider>{[<Field key="f" />, <Counter key="c" />, <Both key="b" />]}</Provider>);

test('what is typed stands in the field as it was typed, and draws nothing else', async () => {
  renderParts();
  const before = { ...drawn };
  await userEvent.type(screen.getByRole('textbox'), 'second');
  expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('second');
  expect(drawn.counter).toBe(before.counter);
  expect(drawn.both).toBe(before.both);
});

test('a handler reads what is there when it runs, and reading it is no reason to draw', async () => {
  renderParts();
  await userEvent.type(screen.getByRole('textbox'), 'ab');
  const counter = screen.getByRole('button', { name: '0' });
  fireEvent.click(counter);
  expect(counter.textContent).toBe('3');
  const before = drawn.counter;
  await userEvent.type(screen.getByRole('textbox'), 'c');
  expect(drawn.counter).toBe(before);
});

test('what is drawn in the same turn is drawn once, with the newest', () => {
  renderParts();
  const before = drawn.both ?? 0;
  fireEvent.click(screen.getByRole('button', { name: '0 0' }));
  expect(screen.getByRole('button', { name: '1 1' })).toBeTruthy();
  expect(drawn.both).toBe(before + 1);
});
