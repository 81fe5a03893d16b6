/** Names of motions from names of keyframes, such that writing and reading again gives the same names. */
import { isCodeName, slug } from '../../format/index.ts';
import { shorten } from '../../text/index.ts';

/**
 * `lv-card-rise` → “Card rise”; what the writer adds to names is taken off. An author’s `cardRise` stays as it is, since it could not be
 * told from its words.
 */
export function readableName(css: string, intro = false): string {
  if (isCodeName(css)) return css;
  const plain = css
    .replace(/^-+/, '')
    .replace(/^lv-/, '')
    .replace(/([a-z])([A-Z])/g, '$1-$2');
  const words = slug(intro ? plain.replace(/-intro$/, '') : plain).replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** Gives names and ids that are used once. */
export class Namer {
  private readonly taken = new Set<string>();

  next(letter: string, wanted: string): { id: string; name: string } {
    const base = shorten(wanted.trim(), 100).trim() || 'Motion';
    const short = (name: string) => slug(name).slice(0, 36).replace(/-$/, '');
    let name = base;
    for (let i = 2; this.taken.has(short(name)); i++)
      name = `${slug(base).length > 30 ? shorten(base, 30).trim() : base} ${i}`;
    this.taken.add(short(name));
    return { id: `${letter}_${short(name)}`, name };
  }
}
