/**
 * Pictures of a sequence, by a custom property that goes from 0, the first, to 1, the last. They are loaded from coarse to fine once they come
 * near, so that a picture not far off is there early; until the one that is due has come, the nearest that is there is shown.
 */
import { parseSequence, pictureAddress } from '@lyvek/core/sequence';
import { Canvas, Picture } from './sequence-screen.ts';
import type { Screen } from './sequence-screen.ts';
import type { Clock, SequencePlan } from './plan.ts';
import { watchNumbers } from './watch.ts';

/** At a time; more would only share the line. */
const LOADS = 6;
/** Pictures on either side of the one that is due that are decoded ahead. */
const AHEAD = 6;
/** Loaded when it is nearer than so many viewports. */
const NEAR = '200%';

/** Plays sequences below a root. Returns what stops it. */
export function playSequences(
  root: Document | Element,
  plans: readonly SequencePlan[],
  clock: Clock,
): () => void {
  const players = new Map<Element, Player>();
  const near = new IntersectionObserver(
    (entries) => {
      for (const { isIntersecting, target } of entries) if (isIntersecting) players.get(target)?.load();
    },
    { rootMargin: NEAR },
  );
  const play = (element: Element, { files, still }: SequencePlan) => {
    const known = players.get(element);
    const sequence = parseSequence(files);
    if (known || !sequence || (still && !(element instanceof HTMLCanvasElement))) return known;
    const screen = toScreen(element);
    if (!screen) return;
    const length = still ? 1 : sequence.last - sequence.first + 1;
    const player = new Player(
      screen,
      Array.from({ length }, (_, i) => pictureAddress(sequence, i)),
    );
    players.set(element, player);
    near.observe(element);
    return player;
  };
  for (const plan of plans)
    if (plan.still) for (const element of root.querySelectorAll(plan.selector)) play(element, plan);
  const moving = plans.filter((plan) => !plan.still);
  const unwatch = watchNumbers(root, moving, clock, (news) => {
    for (const { element, of, value } of news) play(element, of)?.show(value);
  });
  return () => {
    unwatch();
    near.disconnect();
    for (const player of players.values()) player.stop();
  };
}

const toScreen = (element: Element): Screen | null =>
  element instanceof HTMLImageElement
    ? new Picture(element)
    : element instanceof HTMLCanvasElement
      ? new Canvas(element)
      : null;

class Player {
  private readonly screen: Screen;
  private readonly addresses: readonly string[];
  /** loaded ones, by number */
  private readonly pictures = new Map<number, HTMLImageElement>();
  private waiting: number[] = [];
  private due = 0;
  private stopped = false;

  constructor(screen: Screen, addresses: readonly string[]) {
    this.screen = screen;
    this.addresses = addresses;
  }

  show(share: number): void {
    const last = this.addresses.length - 1;
    this.due = Math.min(last, Math.max(0, Math.round(share * last)));
    this.draw();
  }

  /** Begins to load: every sixteenth, then what lies between, until all are there. */
  load(): void {
    if (this.waiting.length || this.pictures.size) return;
    const asked = new Set<number>();
    for (let step = 16; step >= 1; step /= 2)
      for (let i = 0; i < this.addresses.length; i += step) asked.add(i);
    this.waiting = [...asked];
    for (let i = 0; i < LOADS; i++) void this.next();
  }

  private async next(): Promise<void> {
    const i = this.takeNext();
    if (i === undefined || this.stopped) return;
    const picture = new Image();
    picture.src = this.addresses[i]!;
    // One that is missing is passed over.
    const loaded = await picture.decode().then(
      () => true,
      () => false,
    );
    if (this.stopped) return;
    if (loaded) {
      this.pictures.set(i, picture);
      this.draw();
    }
    return this.next();
  }

  /** What is due comes first, as soon as the coarse ones are under way. */
  private takeNext(): number | undefined {
    const { due, waiting } = this;
    const at = waiting.indexOf(due);
    return at > 0 ? waiting.splice(at, 1)[0] : waiting.shift();
  }

  private draw(): void {
    const i = this.findNearest();
    if (i === null || this.stopped) return;
    this.screen.show(this.pictures.get(i)!, i);
    const around: [number, HTMLImageElement][] = [];
    for (const [k, picture] of this.pictures) if (Math.abs(k - i) <= AHEAD) around.push([k, picture]);
    this.screen.prepare(around, i);
  }

  private findNearest(): number | null {
    let nearest: number | null = null;
    for (const i of this.pictures.keys())
      if (nearest === null || Math.abs(i - this.due) < Math.abs(nearest - this.due)) nearest = i;
    return nearest;
  }

  stop(): void {
    this.stopped = true;
    this.screen.restore();
  }
}
