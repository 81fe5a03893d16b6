/** What the pictures of a sequence are shown in: an image of the page, or a canvas. */
export interface Screen {
  show(picture: HTMLImageElement, i: number): void;
  /** Decodes what may be due next: around the one that is shown. */
  prepare(around: readonly (readonly [number, HTMLImageElement])[], shown: number): void;
  /** Brings back what the page had. */
  restore(): void;
}

/** An image takes the address of a picture that is loaded, so it changes at once; its size, fit and alternative text stay what they are. */
export class Picture implements Screen {
  private readonly image: HTMLImageElement;
  private readonly undo: (() => void)[] = [];
  private shown = '';

  constructor(image: HTMLImageElement) {
    this.image = image;
  }

  private begin(): void {
    const { image } = this;
    const put = (e: Element, name: string, value: string | null) => {
      const was = e.getAttribute(name);
      if (value === null) e.removeAttribute(name);
      else e.setAttribute(name, value);
      this.undo.push(() => (was === null ? e.removeAttribute(name) : e.setAttribute(name, was)));
    };
    // Both would win over the address.
    if (image.parentElement?.localName === 'picture')
      for (const source of image.parentElement.querySelectorAll('source')) put(source, 'media', 'not all');
    for (const name of ['srcset', 'sizes']) if (image.hasAttribute(name)) put(image, name, null);
    put(image, 'decoding', 'sync');
    put(image, 'loading', 'eager');
    const src = image.getAttribute('src');
    this.undo.push(() => (src === null ? image.removeAttribute('src') : image.setAttribute('src', src)));
  }

  show({ src }: HTMLImageElement): void {
    if (this.shown === src) return;
    if (this.undo.length === 0) this.begin();
    this.shown = this.image.src = src;
  }

  /** The browser keeps what it has decoded for as long as it has room. */
  prepare(around: readonly (readonly [number, HTMLImageElement])[], shown: number): void {
    for (const [i, picture] of around) if (Math.abs(i - shown) <= 2) picture.decode().catch(() => undefined);
  }

  restore(): void {
    this.undo.splice(0).forEach((undo) => undo());
  }
}

/** Decoded pictures of a canvas take at most so many bytes. */
const MEMORY = 96e6;

/** A canvas gets as many pixels as its box has on this screen, and no more than the pictures have. */
export class Canvas implements Screen {
  private readonly canvas: HTMLCanvasElement;
  private readonly context: CanvasRenderingContext2D | null;
  private readonly was: readonly [number, number];
  /** decoded in the canvas’s size; null: under way */
  private readonly decoded = new Map<number, ImageBitmap | null>();
  private readonly sized: ResizeObserver;
  private last: readonly [HTMLImageElement, number] | null = null;
  private stopped = false;

  constructor(canvas: HTMLCanvasElement) {
    this.canvas = canvas;
    this.context = canvas.getContext('2d');
    this.was = [canvas.width, canvas.height];
    this.sized = new ResizeObserver(() => this.last && this.fit(...this.last));
    this.sized.observe(canvas);
  }

  show(picture: HTMLImageElement, i: number): void {
    const first = !this.last;
    this.last = [picture, i];
    if (first) this.fit(picture, i);
    else this.draw(picture, i);
  }

  private draw(picture: HTMLImageElement, i: number): void {
    const { width, height } = this.canvas;
    this.context?.clearRect(0, 0, width, height);
    this.context?.drawImage(this.decoded.get(i) ?? picture, 0, 0, width, height);
  }

  /** `object-fit` fits it into its box, as it does an image. */
  private fit(picture: HTMLImageElement, i: number): void {
    const { canvas } = this;
    const { naturalWidth, naturalHeight } = picture;
    const { clientWidth, clientHeight } = canvas;
    const share = Math.min(
      1,
      Math.max(
        (clientWidth * devicePixelRatio) / naturalWidth,
        (clientHeight * devicePixelRatio) / naturalHeight,
      ),
    );
    const width = Math.max(1, Math.round(naturalWidth * share));
    const height = Math.max(1, Math.round(naturalHeight * share));
    if (canvas.width !== width || canvas.height !== height) {
      this.forget();
      [canvas.width, canvas.height] = [width, height];
      // Without a size of its own it takes that of its pixels: there it stays as the page has it.
      if (canvas.clientWidth !== clientWidth || canvas.clientHeight !== clientHeight) {
        [canvas.width, canvas.height] = this.was;
        this.sized.disconnect();
      }
    }
    this.draw(picture, i);
  }

  prepare(around: readonly (readonly [number, HTMLImageElement])[], shown: number): void {
    const { width, height } = this.canvas;
    const most = Math.max(1, Math.floor(MEMORY / (width * height * 4)));
    const nearest = [...around].sort(([a], [b]) => Math.abs(a - shown) - Math.abs(b - shown)).slice(0, most);
    const kept = new Set(nearest.map(([i]) => i));
    for (const [i, bitmap] of this.decoded)
      if (!kept.has(i)) {
        bitmap?.close();
        this.decoded.delete(i);
      }
    for (const [i, picture] of nearest) if (!this.decoded.has(i)) void this.decode(i, picture);
  }

  private async decode(i: number, picture: HTMLImageElement): Promise<void> {
    const { width: resizeWidth, height: resizeHeight } = this.canvas;
    this.decoded.set(i, null);
    const bitmap = await createImageBitmap(picture, {
      resizeWidth,
      resizeHeight,
      resizeQuality: 'high',
    }).catch(() => null);
    const isWanted = !this.stopped && this.decoded.has(i) && this.canvas.width === resizeWidth;
    if (bitmap && isWanted) this.decoded.set(i, bitmap);
    else {
      bitmap?.close();
      if (this.decoded.get(i) === null) this.decoded.delete(i);
    }
  }

  private forget(): void {
    for (const bitmap of this.decoded.values()) bitmap?.close();
    this.decoded.clear();
  }

  restore(): void {
    this.stopped = true;
    this.sized.disconnect();
    this.forget();
    [this.canvas.width, this.canvas.height] = this.was;
  }
}
