/** The size at which the page is laid out. */
import { selectWhole } from '../../ui/select-whole.ts';
import { useState } from 'react';
import { ViewportSchema, present } from '@lyvek/core';
import type { Viewport } from '@lyvek/core';
import { Down } from '../../ui/glyphs.tsx';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { useShownPage } from '../../preview/shown-page.ts';
import { viewportPopoverText } from '../text.ts';

const SIZES: readonly (Viewport & { note: string })[] = [
  { width: 1280, height: 800, note: 'desk' },
  { width: 390, height: 844, note: 'phone' },
];
const text = (v: Viewport) => `${v.width} × ${v.height}`;
const key = (pageId: string) => `lyvek-viewport-${pageId}`;

export const keepViewport = (pageId: string, v: Viewport) =>
  localStorage.setItem(key(pageId), JSON.stringify({ width: v.width, height: v.height }));

export function storedViewport(pageId: string): Viewport {
  try {
    const parsed = ViewportSchema.safeParse(JSON.parse(localStorage.getItem(key(pageId)) ?? ''));
    if (parsed.success) return parsed.data;
  } catch {
    // Nothing was stored yet.
  }
  return { width: 1280, height: 800 };
}

export function ViewportPopover() {
  const { viewport } = useShownPage();
  return (
    <Popover
      label={viewportPopoverText.viewport(text(viewport))}
      trigger={
        <>
          {text(viewport)} <Down />
        </>
      }
    >
      {(close) => <Sizes close={close} />}
    </Popover>
  );
}

function Sizes({ close }: { close(): void }) {
  const { viewport, setViewport } = useShownPage();
  const [own, setOwn] = useState(viewport);
  const valid = ViewportSchema.safeParse(own).success;
  const take = (v: Viewport) => {
    setViewport({ width: v.width, height: v.height });
    close();
  };
  const number = (side: keyof Viewport) => (
    <input
      className="field w-16"
      type="number"
      aria-label={side === 'width' ? viewportPopoverText.widthInPx : viewportPopoverText.heightInPx}
      aria-invalid={!valid}
      value={own[side]}
      {...selectWhole}
      onChange={(e) => setOwn({ ...own, [side]: Math.round(Number(e.target.value)) })}
    />
  );
  return (
    <>
      <Choices
        options={SIZES.map((s) => ({ value: text(s), text: text(s), note: s.note }))}
        value={text(viewport)}
        onChoose={(t) => take(present(SIZES.find((s) => text(s) === t)))}
      />
      <form
        className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (valid) take(own);
        }}
      >
        {number('width')} × {number('height')}
        <button type="submit" className="btn" disabled={!valid}>
          {viewportPopoverText.use}
        </button>
      </form>
      {!valid && <p className="field-error m-0 px-2 pt-1">{viewportPopoverText.betweenAndPxEach}</p>}
    </>
  );
}
