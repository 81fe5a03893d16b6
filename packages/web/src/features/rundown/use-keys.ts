/** The Rundown's shortcuts: one table. */
import { useEffect, useRef } from 'react';
import {
  copied,
  isEndless,
  runGesture,
  replaceMotions,
  removeThings,
  duplicateMotions,
  pasteMotions,
  switchOn,
  itemAt,
} from '@lyvek/core';
import { openShortcuts } from '../../ui/Shortcuts.tsx';
import { keepCopied, lastCopied } from '../../state/clipboard.ts';
import { newId } from '../../state/new-id.ts';
import { notify } from '../../ui/notices.tsx';
import { useShownPage } from '../../preview/shown-page.ts';
import type { ShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import type { OpenedPage } from '../../state/opened-page.ts';
import { redone, undone } from '../../state/use-undo-keys.ts';
import {
  listKeyframes,
  keyframeStore,
  chooseKeyframe,
  movedKeyframes,
  withKeyframeAt,
  withoutKeyframes,
} from '../../editor/model/keyframes.ts';
import { nudged, shifted } from './model/moves.ts';
import { toRow, zoomView } from '../../editor/strip/view.ts';
import { elementName } from '../../editor/words.ts';
import type { Rundown } from './rundown-context.ts';
import { useKeysText } from './text.ts';

interface Key {
  key: string;
  shift: boolean;
  ctrl: boolean;
  alt: boolean;
}

type Page = OpenedPage & ShownPage;
type Act = (k: Key, r: Rundown, p: Page) => void;

const scrollBy: Act = (k, r, { link }) => {
  const now = link.store.getState().offset.y;
  const sign = k.key === 'ArrowDown' ? 1 : -1;
  if (k.alt) {
    const run = runGesture(r.gesture, now, sign > 0 ? r.max : 0, r.clock, r.gesture.period / 2);
    return link.scrollTo(run.offsets[1] ?? now);
  }
  link.scrollTo(Math.min(r.max, Math.max(0, now + sign * (k.shift ? 100 : 10))));
};

/** Arrows move what is selected: by 1 % of the phase, several together by px. */
const moveSelected: Act = (k, r, { session }) => {
  const steps = (k.key === 'ArrowDown' ? 1 : -1) * (k.shift ? 5 : 1);
  const keyframes = keyframeStore.getState().chosen;
  if (keyframes.length) {
    const owners = r.bars.filter((b) => keyframes.some((c) => c.motion === b.motion.id));
    const moved = owners.map((b) => movedKeyframes(b, keyframes, steps * 2));
    session.nudge(replaceMotions(useKeysText.moveKeyframes, moved));
    return keyframeStore.setState({
      chosen: keyframes.map((c) => {
        const i = owners.findIndex((b) => b.motion.id === c.motion);
        const at = listKeyframes(itemAt(owners, i).motion).findIndex((p) => Math.abs(p - c.share) < 1e-3);
        return { ...c, share: listKeyframes(itemAt(moved, i))[at] ?? c.share };
      }),
    });
  }
  const chosen = r.bars.filter((b) => r.selection.includes(b.motion.id) && !isEndless(b.motion.driver));
  if (chosen.length === 0) return;
  const first = itemAt(chosen, 0);
  const px = (steps * (first.placed.geometry?.port ?? first.max)) / 100;
  const changed =
    chosen.length === 1
      ? [nudged(first.motion, r.grip, steps)]
      : chosen.map((b) => shifted(b, Math.round(px)));
  session.nudge(replaceMotions('move', changed));
};

/** Around where the page stands, if the lanes show it, else around their middle. */
const zoom =
  (factor: number): Act =>
  (_k, r, { link }) =>
    r.setView((v) => {
      const row = toRow(link.store.getState().offset.y, v);
      return zoomView(v, factor, row >= 0 && row <= r.rows ? row : r.rows / 2, r.pageHeight, r.rows);
    });

const undo: Act = (_k, _r, { session }) => undone(session);
const redo: Act = (_k, _r, { session }) => redone(session);
const remove: Act = (_k, r, { session }) => {
  const { chosen } = keyframeStore.getState();
  if (chosen.length) {
    const owners = r.document.motions.filter((m) => chosen.some((c) => c.motion === m.id));
    const before = session.store.getState();
    const label = chosen.length === 1 ? 'delete a keyframe' : `delete ${chosen.length} keyframes`;
    session.apply(
      replaceMotions(
        label,
        owners.map((m) => withoutKeyframes(m, chosen)),
      ),
    );
    const after = session.store.getState();
    if (after.document === before.document) {
      // Why it could not be done has been said where the document would not stand it.
      if (after.blocked === before.blocked) notify(useKeysText.aPropertyKeepsAt);
      return;
    }
    return chooseKeyframe(null);
  }
  if (!r.selection.length) return;
  const count = r.selection.length;
  session.apply(
    removeThings(r.selection, count === 1 ? useKeysText.deleteAMotion : useKeysText.deleteMotions(count)),
  );
  notify(count === 1 ? useKeysText.theMotionWasDeleted : useKeysText.motionsWereDeleted(count), {
    action: { label: 'Undo', run: () => void session.undo() },
  });
};
const duplicate: Act = (_k, r, { session }) => {
  if (r.selection.length) session.apply(duplicateMotions(r.selection, newId));
};
const copy: Act = (_k, r, { session }) => {
  // Text that is marked on the screen is what people mean to copy.
  if (!r.selection.length || String(window.getSelection())) return;
  const clip = copied(session.store.getState().document, r.selection);
  keepCopied(clip);
  notify(
    clip.motions.length === 1
      ? useKeysText.isCopiedChooseAn(itemAt(clip.motions, 0).name)
      : useKeysText.motionsAreCopied(clip.motions.length),
  );
};
/** Onto the chosen element; without one, beside the originals. */
const paste: Act = (_k, r, { session }) => {
  const clip = lastCopied();
  if (!clip) return notify(useKeysText.nothingHasBeenCopied);
  const e = r.layout.elements[r.chosen];
  const own = clip.motions[0]?.targets.selector;
  const target = e && e.selector !== own ? { selector: e.selector, name: elementName(e, r.layout) } : null;
  session.apply(pasteMotions(clip, target, newId));
};
const solo: Act = (_k, r) => r.setSolo(!r.solo);
const mute: Act = (_k, r, { session }) => {
  if (!r.selection.length) return;
  const { motions, pins, triggers } = r.document;
  const on = [...motions, ...pins, ...triggers].some((x) => r.selection.includes(x.id) && x.on);
  session.apply(switchOn(r.selection, !on));
};
const selectAll: Act = (_k, r, { session }) => session.select(r.document.motions.map((m) => m.id));
const escape: Act = (_k, r, { session }) => {
  if (r.playing) return r.setPlaying(false);
  if (r.adding) return r.setAdding(false);
  if (keyframeStore.getState().chosen.length) return keyframeStore.setState({ chosen: [] });
  session.select([]);
};
/** A keyframe in every property of what is selected, where the page stands, with the value that is there now. */
const keyframeHere: Act = (_k, r, { session, link }) => {
  const { y } = link.store.getState().offset;
  const within = r.bars.filter(
    (b) => r.selection.includes(b.motion.id) && y > b.placed.start && y < b.placed.end,
  );
  if (within.length === 0) return notify(useKeysText.noSelectedMotionIs);
  const made = within.map((b) => withKeyframeAt(b, y, r.layout));
  session.apply(
    replaceMotions(made.length === 1 ? useKeysText.addAKeyframe : useKeysText.addKeyframes, made),
  );
};
/** To the next start or end of any motion; Shift: the one before. */
const nextEdge: Act = (k, r, { link }) => {
  const { y } = link.store.getState().offset;
  const edges = r.bars
    .flatMap((b) => [b.placed.start, b.placed.end])
    .map((at) => Math.round(Math.min(r.max, Math.max(0, at))))
    .sort((a, b) => a - b);
  const to = k.shift ? edges.findLast((at) => at < y - 1) : edges.find((at) => at > y + 1);
  if (to !== undefined) link.scrollTo(to);
};
const nextMotion: Act = (k, r) => {
  const { motions } = r.document;
  if (!motions.length) return;
  const i = motions.findIndex((m) => m.id === r.selection[0]);
  r.select(itemAt(motions, (i + (k.shift ? -1 : 1) + motions.length) % motions.length).id);
};
const rename: Act = () => window.document.querySelector<HTMLButtonElement>('[data-rename]')?.click();

const movable = (r: Rundown) => r.selection.length > 0 || keyframeStore.getState().chosen.length > 0;

/** Plain keys and, behind “ctrl ”, those with Ctrl or the command key. */
const KEYS = new Map<string, Act>(
  Object.entries<Act>({
    ' ': (_k, r) => r.setPlaying(!r.playing),
    ArrowUp: (k, r, p) => (movable(r) && !k.alt ? moveSelected : scrollBy)(k, r, p),
    ArrowDown: (k, r, p) => (movable(r) && !k.alt ? moveSelected : scrollBy)(k, r, p),
    PageUp: (_k, _r, { link, viewport }) =>
      link.scrollTo(Math.max(0, link.store.getState().offset.y - viewport.height * 0.875)),
    PageDown: (_k, r, { link, viewport }) =>
      link.scrollTo(Math.min(r.max, link.store.getState().offset.y + viewport.height * 0.875)),
    Home: (_k, _r, { link }) => link.scrollTo(0),
    End: (_k, r, { link }) => link.scrollTo(r.max),
    '+': zoom(2),
    '=': zoom(2),
    '-': zoom(0.5),
    '0': (_k, r) => r.setView((v) => ({ ...v, per: Infinity })),
    a: (_k, r) => r.setAdding(true),
    m: mute,
    s: solo,
    '/': () => window.document.querySelector<HTMLInputElement>('[data-find]')?.focus(),
    '[': (_k, r) => r.setGrip(r.grip === 'start' ? 'body' : 'start'),
    ']': (_k, r) => r.setGrip(r.grip === 'end' ? 'body' : 'end'),
    n: nextMotion,
    b: keyframeHere,
    e: nextEdge,
    F2: rename,
    Delete: remove,
    Backspace: remove,
    Escape: escape,
    '?': openShortcuts,
    'ctrl z': (k, r, p) => (k.shift ? redo : undo)(k, r, p),
    'ctrl y': redo,
    'ctrl d': duplicate,
    'ctrl c': copy,
    'ctrl v': paste,
    'ctrl a': selectAll,
  }),
);

/** Hears them as long as the Rundown is open. A previewed page never has the keyboard, so it passes none on. */
export function useKeys(rundown: Rundown): void {
  const page = { ...useOpenedPage(), ...useShownPage() };
  const now = useRef({ rundown, page });
  now.current = { rundown, page };
  const handle = useRef((k: Key): boolean => {
    const name = k.key.length === 1 && k.key !== ' ' ? k.key.toLowerCase() : k.key;
    const act = KEYS.get(k.ctrl ? `ctrl ${name}` : name);
    if (!act) return false;
    act(k, now.current.rundown, now.current.page);
    return true;
  });
  useEffect(() => {
    const listen = (e: KeyboardEvent) => {
      if (e.defaultPrevented || e.isComposing) return;
      const target = e.target as HTMLElement;
      if (target.closest('input, textarea, select, [contenteditable], .popover, [role="dialog"]')) return;
      // On a button, Space, Enter and Tab stay what they are everywhere.
      if (target.closest('button, a, [role="button"]') && [' ', 'Enter'].includes(e.key)) return;
      if (handle.current({ key: e.key, shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey, alt: e.altKey }))
        e.preventDefault();
    };
    addEventListener('keydown', listen);
    return () => removeEventListener('keydown', listen);
  }, []);
}
