/** Makes the two sides of a comparison ready: document, layout, and what their pages are given. */
import type { ComponentType } from 'react';
import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { PageFacts, TakeFacts } from '@lyvek/api';
import { activeMedia, compileTimeline, makePatch, underMedia, withPins, writeCss } from '@lyvek/core';
import type { PinnedLayout, Layout, MotionDocument } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { makeSeen } from '../../state/take-session.ts';
import type { Dress } from '../../preview/sent-dress.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import type { Side, TakeSide } from './takes-context.ts';
import type { Beside } from './use-beside.ts';

export interface ComparedProps {
  a: Side;
  b: TakeSide;
}
type Then = ComponentType<ComparedProps>;
type Of<K extends Beside['kind']> = Extract<Beside, { kind: K }>;

function useDress(document: MotionDocument, layout: PinnedLayout | null): Pick<TakeSide, 'dress' | 'take'> {
  const { reducedMotion } = useShownPage();
  return useMemo(() => {
    if (!layout) return { dress: null, take: null };
    const { pieces, plan } = writeCss(document, layout, reducedMotion ? 'reduced-motion' : 'full-motion');
    const dress: Dress = { pieces, plan, patch: makePatch(document) };
    return { dress, take: compileTimeline(document, layout) };
  }, [document, layout, reducedMotion]);
}

const madeFromWords = ({ madeFrom, pageId }: TakeFacts, takes: readonly TakeFacts[]): string => {
  const from = takes.find((t) => t.id === madeFrom?.takeId && t.pageId === pageId);
  return from ? `, made from ${from.name}` : '';
};

/** The open take. */
function useOpenSide(): TakeSide {
  const { page, take, takes, session } = useOpenedPage();
  const { layout, measured } = useLayout();
  const document = useSettledDocument();
  const whole = useStore(session.store, (s) => s.document);
  const revision = useStore(session.store, (s) => s.save.revision);
  const dressed = useDress(document, measured ? layout : null);
  return {
    kind: 'take',
    name: take.name,
    note: `rev ${revision}${madeFromWords(take, takes)}`,
    page,
    whole,
    document,
    layout: measured ? layout : null,
    session,
    ...dressed,
  };
}

/** The page as it was measured for the open take, with the pins of another one. */
function useSameLayout(pins: MotionDocument['pins']): PinnedLayout | null {
  const { layout, measured } = useLayout();
  return useMemo(() => (measured ? withPins(layout.made.from, pins) : null), [layout, measured, pins]);
}

export function TakeBeside({ beside, then: Then }: { beside: Of<'take'>; then: Then }) {
  const { page, takes } = useOpenedPage();
  const { viewport, reducedMotion } = useShownPage();
  const { take, session } = beside;
  useMemo(
    () => session.showFor({ viewport, reducedMotion: reducedMotion }),
    [session, viewport, reducedMotion],
  );
  const document = useStore(session.store, makeSeen);
  const whole = useStore(session.store, (s) => s.document);
  const revision = useStore(session.store, (s) => s.save.revision);
  const layout = useSameLayout(document.pins);
  const dressed = useDress(document, layout);
  const a: TakeSide = {
    kind: 'take',
    name: take.name,
    note: `rev ${revision}${madeFromWords(take, takes)}`,
    page,
    whole,
    document,
    layout,
    session,
    ...dressed,
  };
  return <Then a={a} b={useOpenSide()} />;
}

export function FixedBeside({ beside, then }: { beside: Of<'revision' | 'elsewhere'>; then: Then }) {
  const { page } = useOpenedPage();
  return beside.kind === 'revision' ? (
    <Revision take={beside.take} whole={beside.document} page={page} then={then} />
  ) : (
    <Elsewhere beside={beside} then={then} />
  );
}

function useSeen(document: MotionDocument): MotionDocument {
  const { viewport, reducedMotion } = useShownPage();
  return useMemo(
    () => underMedia(document, activeMedia(document, { viewport, reducedMotion: reducedMotion })),
    [document, viewport, reducedMotion],
  );
}

interface RevisionProps {
  take: TakeFacts;
  whole: MotionDocument;
  page: PageFacts;
  then: Then;
}
function Revision({ take, whole, page, then: Then }: RevisionProps) {
  const document = useSeen(whole);
  const layout = useSameLayout(document.pins);
  const dressed = useDress(document, layout);
  const note = `as it was at rev ${take.revision}`;
  const a: TakeSide = {
    kind: 'take',
    name: take.name,
    note,
    page,
    whole,
    document,
    layout,
    session: null,
    ...dressed,
  };
  return <Then a={a} b={useOpenSide()} />;
}

/** Of another page, which is measured in its own frame if nobody has done so at this size. */
function Elsewhere({ beside, then: Then }: { beside: Of<'elsewhere'>; then: Then }) {
  const { viewport } = useShownPage();
  const { whole, take } = beside;
  const document = useSeen(beside.document);
  const [own, setOwn] = useState<Layout | null>(null);
  const fits = (l: Layout | null) =>
    l?.viewport.width === viewport.width && l.viewport.height === viewport.height;
  const base = fits(own) ? own : (whole.layouts.find(fits) ?? null);
  const layout = useMemo(() => base && withPins(base, document.pins), [base, document.pins]);
  const dressed = useDress(document, layout);
  const a: TakeSide = {
    kind: 'take',
    name: whole.page.name,
    note: `${take.name}, rev ${take.revision}`,
    page: whole.page,
    whole: beside.document,
    document,
    layout,
    session: null,
    measured(measured) {
      setOwn(measured);
      void api
        .putLayout({ id: whole.page.id, contentHash: whole.page.contentHash, body: measured })
        .catch(() => undefined);
    },
    ...dressed,
  };
  return <Then a={a} b={useOpenSide()} />;
}

export function PicturesBeside({ beside: { set }, then: Then }: { beside: Of<'pictures'>; then: Then }) {
  const count = set.pictures.length;
  const note = count === 1 ? 'one picture' : `${count} pictures`;
  return <Then a={{ kind: 'pictures', name: set.name, note, set }} b={useOpenSide()} />;
}
