/** What the Rundown's shortcuts and commands do. */
import { asOnPage } from '../../editor/model/own-axis.ts';
import {
  copied,
  isRangeless,
  runGesture,
  replaceMotions,
  removeThings,
  duplicateMotions,
  pasteMotions,
  switchOn,
  itemAt,
} from '@lyvek/core';
import type { PasteTarget } from '@lyvek/core';
import { keepCopied, lastCopied } from '../../state/clipboard.ts';
import { newId } from '../../state/new-id.ts';
import { notify } from '../../ui/notices.tsx';
import type { ShownPage } from '../../preview/shown-page.ts';
import type { OpenedPage } from '../../state/opened-page.ts';
import { redone, undone } from '../../state/use-undo-keys.ts';
import {
  followShare,
  keyframeStore,
  chooseKeyframe,
  movedKeyframes,
  withKeyframeAt,
  withoutKeyframes,
} from '../../editor/model/keyframes.ts';
import { placeFlags } from './model/flags.ts';
import { nudged, shifted } from './model/moves.ts';
import { toRow, zoomView } from '../../editor/strip/view.ts';
import { effectWords, elementName } from '../../editor/words.ts';
import type { Rundown } from './rundown-context.ts';
import { useKeysText } from './text.ts';

export interface Key {
  key: string;
  shift: boolean;
  ctrl: boolean;
  alt: boolean;
}

export type Page = OpenedPage & ShownPage;
export type Act = (k: Key, r: Rundown, p: Page) => void;

export const scrollBy: Act = (k, r, { link }) => {
  const now = link.store.getState().offset.y;
  const sign = k.key === 'ArrowDown' ? 1 : -1;
  if (k.alt) {
    const run = runGesture(r.gesture, now, sign > 0 ? r.max : 0, r.clock, r.gesture.period / 2);
    return link.scrollTo(run.offsets[1] ?? now);
  }
  link.scrollTo(Math.min(r.max, Math.max(0, now + sign * (k.shift ? 100 : 10))));
};

/** Arrows move what is selected: by 1 % of the phase, several together by px. */
export const moveSelected: Act = (k, r, { session }) => {
  const steps = (k.key === 'ArrowDown' ? 1 : -1) * (k.shift ? 5 : 1);
  const keyframes = keyframeStore.getState().chosen;
  if (keyframes.length) {
    const owners = r.bars.filter((b) => keyframes.some((c) => c.motion === b.motion.id));
    const moved = owners.map((b) => movedKeyframes(b, keyframes, steps * 2));
    session.nudge(replaceMotions(useKeysText.moveKeyframes, moved));
    return keyframeStore.setState({
      chosen: keyframes.map((c) => {
        const i = owners.findIndex((b) => b.motion.id === c.motion);
        return { ...c, share: followShare(itemAt(owners, i).motion, itemAt(moved, i), c) };
      }),
    });
  }
  const chosen = r.bars.filter((b) => r.selection.includes(b.motion.id) && !isRangeless(b.motion.driver));
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
export const zoom =
  (factor: number): Act =>
  (_k, r, { link }) =>
    r.setView((v) => {
      const row = toRow(link.store.getState().offset.y, v);
      return zoomView(v, factor, row >= 0 && row <= r.rows ? row : r.rows / 2, r.pageHeight, r.rows);
    });

export const undo: Act = (_k, _r, { session }) => undone(session);
export const redo: Act = (_k, _r, { session }) => redone(session);
export const remove: Act = (_k, r, { session }) => {
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
export const duplicate: Act = (_k, r, { session }) => {
  if (r.selection.length) session.apply(duplicateMotions(r.selection, newId));
};
export const copy: Act = (_k, r, { session }) => {
  // Text that is marked on the screen is what people mean to copy.
  if (!r.selection.length || String(window.getSelection())) return;
  const clip = copied(session.store.getState().document, r.selection);
  if (!clip.motions.length) return notify(useKeysText.onlyMotionsAreCopied);
  keepCopied(clip);
  notify(
    clip.motions.length === 1
      ? useKeysText.isCopiedChooseAn(itemAt(clip.motions, 0).name)
      : useKeysText.motionsAreCopied(clip.motions.length),
  );
};
/** Onto the chosen element; without one, beside the originals. */
export const paste: Act = (_k, r, { session }) => {
  const clip = lastCopied();
  if (!clip) return notify(useKeysText.nothingHasBeenCopied);
  const e = r.layout.elements[r.chosen];
  const own = clip.motions[0]?.targets.selector;
  const target: PasteTarget | null =
    e && e.selector !== own
      ? { selector: e.selector, nameOf: (m) => `${elementName(e, r.layout)} ${effectWords(m)}` }
      : null;
  session.apply(pasteMotions(clip, target, newId));
};
export const solo: Act = (_k, r) => r.setSolo(!r.solo);
export const mute: Act = (_k, r, { session }) => {
  if (!r.selection.length) return;
  const { motions, pins, triggers } = r.document;
  const on = [...motions, ...pins, ...triggers].some((x) => r.selection.includes(x.id) && x.on);
  session.apply(switchOn(r.selection, !on));
};
export const selectAll: Act = (_k, r, { session }) => session.select(r.document.motions.map((m) => m.id));
export const escape: Act = (_k, r, { session }) => {
  if (r.playing) return r.setPlaying(false);
  if (r.adding) return r.setAdding(false);
  if (keyframeStore.getState().chosen.length) return keyframeStore.setState({ chosen: [] });
  if (session.store.getState().selection.length) return session.select([]);
  // Last of all the element: then the sheet is about the whole page again.
  r.choose(-1);
};
/** A keyframe in every property of what is selected, where the page stands, with the value that is there now. */
export const keyframeHere: Act = (_k, r, { session, link }) => {
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
export const nextEdge: Act = (k, r, { link }) => {
  const { y } = link.store.getState().offset;
  const edges = r.bars
    .map((b) => asOnPage(b.placed, r.layout))
    .flatMap((placed) => [placed.start, placed.end])
    .map((at) => Math.round(Math.min(r.max, Math.max(0, at))))
    .sort((a, b) => a - b);
  const to = k.shift ? edges.findLast((at) => at < y - 1) : edges.find((at) => at > y + 1);
  if (to !== undefined) link.scrollTo(to);
};
export const nextMotion: Act = (k, r) => {
  const { motions } = r.document;
  if (!motions.length) return;
  const i = motions.findIndex((m) => m.id === r.selection[0]);
  r.select(itemAt(motions, (i + (k.shift ? -1 : 1) + motions.length) % motions.length).id);
};
export const rename: Act = () => window.document.querySelector<HTMLButtonElement>('[data-rename]')?.click();

/** To what is selected: its first px, a little below the top of the lanes; a motion that runs over the whole page is everywhere. */
export const goToSelection: Act = (_k, r, { link, viewport }) => {
  const spans = [
    ...r.bars.filter((b) => r.selection.includes(b.motion.id)).map((b) => asOnPage(b.placed, r.layout)),
    ...r.layout.pinnedSpans.filter((s) => r.selection.includes(s.id)),
    ...placeFlags(r.document, r.layout)
      .flags.filter(
        (f) => r.selection.includes(f.trigger.id) || f.parts.some((p) => r.selection.includes(p.id)),
      )
      .map((f) => ({ start: f.down, end: f.down + viewport.height / 4 })),
  ];
  if (!spans.length) return;
  const [start, end] = [Math.min(...spans.map((s) => s.start)), Math.max(...spans.map((s) => s.end))];
  link.scrollTo(Math.min(r.max, Math.max(0, Math.round((start + end) / 2))));
};
