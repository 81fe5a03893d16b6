/** The probe: Lyvek’s eyes and hands inside a page, whichever way it came there. */
import { EMPTY_PLAN } from '@lyvek/core/empty-plan';
import { keptCss } from '@lyvek/core/kept';
import { adjustedBy } from '@lyvek/core/marks';
import { countPictures } from './count-pictures.ts';
import { readDrawnPath } from './drawn-path.ts';
import { find } from './find.ts';
import { look } from './look.ts';
import { hearListeners } from './listeners.ts';
import { measure } from './measure.ts';
import type { FromProbe, ToProbe } from './protocol.ts';
import { Script } from './script.ts';
import { playTime } from './time.ts';
import { ride } from './ride.ts';
import { OwnMotions } from './own-motion.ts';
import { readPageRules } from './page-rules.ts';
import { Patch } from './patch.ts';
import { Picker } from './pick.ts';
import { Styles } from './styles.ts';
import { splitPart } from '@lyvek/core/part';
import type { DrawnPart } from './parts.ts';
import { watchElements } from './watch-elements.ts';
import { whenReady } from './ready.ts';
import { whenSized } from './when-sized.ts';
import { all, pageScroller, readStyle } from './dom.ts';

const styles = new Styles();
/** Scripts of the page may begin to move things at any time. */
const own = new OwnMotions(() => say({ type: 'resized' }));
let patch = new Patch();
const script = new Script();
let port: MessagePort | null = null;
let elements: Element[] = [];
let parts: DrawnPart[] = [];
const picker = new Picker();
let scale = 1;
let landed = 0;
let size = '';
/** The page hears its own clicks and keys, instead of being picked in. */
let inUse = false;
/** Being measured: nobody needs to hear where it stands. */
let riding = false;

/** hosts whose files were not loaded */
const blocked = new Set<string>();

const say = (message: FromProbe) => port?.postMessage(message);

function act(message: ToProbe): void {
  switch (message.type) {
    case 'measure':
      return whenSized(
        message.at,
        guarded(() => measureNow(message)),
      );
    case 'style':
      patch.apply(message.patch);
      keepRules();
      say({ type: 'styled', id: message.id, refused: styles.apply(message.pieces, message.order) });
      // The page’s own code is shown, not a copy on top of it.
      return script.play(styles.leave(message.written) ? EMPTY_PLAN : message.plan, message.again);
    case 'scroll':
      scrollTo({ left: message.x, top: message.y, behavior: 'instant' });
      landed = message.seq;
      return say({ type: 'scrolled', seq: landed, x: scrollX, y: scrollY });
    case 'scale':
      scale = message.scale;
      return;
    case 'time':
      // By the names of the preview.
      styles.leave(null);
      return playTime(message);
    case 'hold':
      // No style attribute reaches a pseudo-element.
      if (splitPart(message.selector)[1]) return;
      for (const e of patch.resolve([message.selector]).get(message.selector) ?? [])
        if (e instanceof HTMLElement || e instanceof SVGElement) {
          if (message.value === null) e.style.removeProperty(message.property);
          else e.style.setProperty(message.property, message.value, 'important');
          if (e.getAttribute('style') === '') e.removeAttribute('style');
        }
      own.forget();
      // The script looks at its signals once something scrolls.
      return void document.dispatchEvent(new Event('scroll'));
    case 'point':
      return point(message.at);
    case 'find':
      return say({ type: 'found', ...find(message.selector, message.element, { elements, parts }, patch) });
    case 'count':
      return void countPictures(message.files).then((counted) =>
        say({ type: 'counted', id: message.id, ...counted }),
      );
    case 'draw':
      return say({ type: 'drawn', id: message.id, path: readDrawnPath(message.selector) });
    case 'look':
      return void look(message.at, message.wanted).then((seen) =>
        say({ type: 'looked', id: message.id, look: seen }),
      );
    case 'ride':
      riding = true;
      return void ride(message.path, message.rest).then((ridden) => {
        riding = false;
        say({ type: 'rode', id: message.id, ridden });
      });
    case 'use':
      inUse = message.on;
      return;
    case 'ping':
      return say({ type: 'pong', id: message.id });
  }
}

function measureNow({ id, request }: Extract<ToProbe, { type: 'measure' }>): void {
  script.rest();
  if (patch.refresh()) keepRules();
  const measured = styles.without(() => measure(request, patch, own));
  // With the motions off for a moment, their animations have begun anew.
  script.again();
  ({ elements, parts } = measured);
  size = computeSize();
  const adjusted = adjustedBy(styles.adjustments);
  const layout = adjusted ? { ...measured.layout, adjusted } : measured.layout;
  say({ type: 'layout', id, layout });
}

/** What goes wrong is told. */
const guarded = (work: () => void) => () => {
  try {
    work();
  } catch (error) {
    say({ type: 'failed', message: String(error).slice(0, 400) });
  }
};

/** As the browser tells it of a real pointer. */
function point(at: { x: number; y: number } | null): void {
  const place = at && { clientX: at.x * (innerWidth - 1), clientY: at.y * (innerHeight - 1) };
  const type = at ? 'pointermove' : 'pointerout';
  document.dispatchEvent(new PointerEvent(type, { ...place, pointerType: 'mouse', bubbles: true }));
}

/** In the same turn as the wrapper: a moment without them would show, and move the page. */
const keepRules = () => styles.keep(keptCss(patch.kept, patch.classes));

const sayBlocked = () => blocked.size && say({ type: 'blocked', hosts: [...blocked] });

const computeSize = () => {
  const doc = pageScroller();
  // A document that a script has just opened anew has no element yet.
  if (!doc) return '';
  return `${innerWidth} ${innerHeight} ${doc.scrollWidth} ${doc.scrollHeight} ${document.body?.offsetHeight}`;
};

/** Nearest measured element at a point of the page. */
function elementAt(target: EventTarget | null): number {
  for (let e = target as Element | null; e; e = e.parentElement) {
    const i = elements.indexOf(e);
    if (i >= 0) return i;
  }
  return -1;
}

function listen(): void {
  const capture = { capture: true, passive: false } as const;
  addEventListener('scroll', () => riding || say({ type: 'scrolled', seq: landed, x: scrollX, y: scrollY }), {
    passive: true,
  });
  addEventListener(
    'wheel',
    (e) => {
      if (e.ctrlKey) {
        e.preventDefault();
        return say({ type: 'zoom', delta: e.deltaY });
      }
      // Seen through a smaller frame, the browser makes a notch longer than it says; inner scrollers keep their own.
      if (scale === 1 || e.defaultPrevented || scrollsItself(e.target as Element | null, e)) return;
      e.preventDefault();
      scrollBy({ left: e.deltaX, top: e.deltaY, behavior: 'instant' });
    },
    capture,
  );
  addEventListener('securitypolicyviolation', (e) => {
    const host = URL.parse(e.blockedURI)?.host.slice(0, 100);
    if (e.disposition !== 'enforce' || !host || blocked.has(host) || blocked.size >= 20) return;
    blocked.add(host);
    sayBlocked();
  });
  let hovered = -1;
  addEventListener(
    'pointermove',
    (e) => {
      const at = elementAt(e.target);
      if (at === hovered) return;
      hovered = at;
      say({ type: 'hover', element: at });
    },
    capture,
  );
  document.documentElement.addEventListener('pointerleave', () => {
    hovered = -1;
    say({ type: 'hover', element: -1 });
  });
  // A click picks; the page itself does not hear it, so no link leads away.
  addEventListener(
    'click',
    (e) => {
      if (inUse) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      if (e.button === 0)
        say({
          type: 'picked',
          element: picker.pick(e.clientX, e.clientY, elements, scale, e.altKey && !e.shiftKey),
          additive: (e.shiftKey && !e.altKey) || e.ctrlKey,
          aside: e.altKey && e.shiftKey,
        });
    },
    capture,
  );
  for (const type of ['submit', 'auxclick', 'dragstart', 'mousedown'] as const)
    addEventListener(type, (e) => !inUse && e.preventDefault(), capture);
}

function scrollsItself(target: Element | null, e: WheelEvent): boolean {
  for (let n = target; n && n !== document.body && n !== document.documentElement; n = n.parentElement) {
    const style = readStyle(n);
    const [overflow, room, at, delta] =
      Math.abs(e.deltaX) > Math.abs(e.deltaY)
        ? [style.overflowX, n.scrollWidth - n.clientWidth, n.scrollLeft, e.deltaX]
        : [style.overflowY, n.scrollHeight - n.clientHeight, n.scrollTop, e.deltaY];
    if (/auto|scroll/.test(overflow) && room > 0 && (delta > 0 ? at < room - 1 : at > 0)) return true;
  }
  return false;
}

/** Tells of a changed page size once it has come to rest. */
function watchSize(): void {
  let timer = 0;
  const changed = () => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      const now = computeSize();
      if (now === size) return;
      size = now;
      say({ type: 'resized' });
    }, 200) as unknown as number;
  };
  const observer = new ResizeObserver(changed);
  observer.observe(document.documentElement);
  if (document.body) observer.observe(document.body);
  document.fonts?.addEventListener('loadingdone', () => {
    size = '';
    changed();
  });
}

/** Listens to the page. Before anything else of the page does. */
export function begin({ live = false }: { live?: boolean } = {}): void {
  if (live) patch = new Patch({ own: true });
  listen();
  own.watch();
  // After our own: those of the page.
  hearListeners();
}

/** Speaks with the workbench from now on. */
export function speak(to: MessagePort, { live = false }: { live?: boolean } = {}): void {
  port = to;
  to.onmessage = ({ data }: MessageEvent<ToProbe>) => guarded(() => act(data))();
  whenReady((late) => {
    watchSize();
    if (live) watchElements(() => say({ type: 'resized' }));
    const fonts = document.fonts
      ? Promise.race([document.fonts.ready, new Promise((r) => setTimeout(r, 1500))])
      : Promise.resolve();
    void readPageRules().then((rules) => {
      const matters = patch.learn(rules);
      keepRules();
      if (matters) say({ type: 'resized' });
    });
    sayBlocked();
    void fonts.then(() => say({ type: 'ready', late, frames: all('iframe').length }));
  });
}
