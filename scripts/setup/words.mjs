/** One vocabulary: words that docs/glossary.md has better ones for are found in names and in texts that people read. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';

/** Words in names; the better one. */
const IN_NAMES = {
  bead: 'keyframe',
  beads: 'keyframes',
  gate: 'trigger',
  gates: 'triggers',
  belt: 'marquee',
  belts: 'marquees',
  passage: 'view',
  followed: 'damped',
  felt: 'damped',
  follower: 'damped',
  older: 'fallback',
  glide: 'play',
  gliding: 'playing',
  dear: 'expensive',
  dearest: 'mostExpensive',
  reckoned: 'interpolated',
  unread: 'unsupported',
  mend: 'corrections',
  mended: 'corrected',
  meant: 'correction',
  heed: 'restart',
  heeded: 'watched',
  unlike: 'difference',
  pop: 'popover',
  asked: 'requested',
  most: 'max',
  least: 'min',
  patience: 'timeout',
  lasts: 'ttl',
  silence: 'timeout',
};
/** Where a word is the platform's, or the very thing that is converted. */
const FINE = [
  /(^|\.)pop$/,
  /^(mostExpensive|mostExpensiveIn|MostExpensive)/,
  /^(asked|setAsked|lasts|least|most|atLeast|atMost|mostly|unasked)$/,
];
const FINE_FILES = /motion\/upgrade(\.test)?\.ts$|setup\/words\.mjs$/;
const WHOLE_WORD_ONLY = new Set(['most', 'least', 'lasts', 'asked', 'patience', 'silence']);

/** Words in texts that people read; the better one. */
const IN_TEXTS = [
  [/\bbeads?\b/i, 'keyframe'],
  [/\bgates?\b/i, 'trigger'],
  [/\bbelts?\b/i, 'marquee'],
  [/\bpassages?\b/i, 'view progress'],
  [/\bthe hand\b(?!-)/i, 'the scroll'],
  [/\bglid(e|es|ing)\b/i, 'play'],
  [/\bdear(er|est)?\b/i, 'expensive'],
  [/\breckoned\b/i, 'interpolated'],
  [/\bchosen by us\b/i, 'Lyvek default'],
  [/\bhang(s|ing)? up\b|\bhangs on\b/i, 'add, attached to'],
  [/\bbrought\b/i, 'added'],
  [/\bmend(ed|s)?\b/i, 'corrected'],
  [/\bread as meant\b|\bas meant\b/i, 'with correction'],
  [/\bdoubtful\b/i, 'warning'],
  [/\banew\b/i, 'again'],
  [/\bfar away\b|\bnear by\b/i, 'Parallax'],
  [/\bunder the hand\b/i, 'Try it'],
];

const split = (name) => name.match(/[A-Z]+(?![a-z])|[A-Z]?[a-z]+/g) ?? [];

/** Paths of the sources of all packages, from the root. */
const sources = () =>
  readdirSync(inRoot('packages')).flatMap((p) =>
    readdirSync(inRoot('packages', p, 'src'), { recursive: true, encoding: 'utf8' })
      .filter((f) => /\.tsx?$/.test(f))
      .map((f) => join('packages', p, 'src', f)),
  );

/** Sentences, one per place. */
export async function danglingWords() {
  // Loaded here, because a fresh clone has it only once the packages are installed.
  const { default: ts } = await import('typescript');
  const files = sources().filter((f) => !FINE_FILES.test(f));
  if (!files.length) throw new Error('No sources were found, so no words were looked at.');
  const found = [];
  for (const file of files) {
    const text = readFileSync(inRoot(file), 'utf8');
    const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
    const put = (node, word, better) => {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push(`${file}:${line + 1}: ${word}; better: ${better}`);
    };
    const isTest = /\.test\.tsx?$|\/testing\//.test(file);
    const visit = (node) => {
      if (ts.isIdentifier(node)) {
        const name = node.text;
        if (!FINE.some((f) => f.test(name)))
          for (const word of split(name)) {
            const low = word.toLowerCase();
            const counts = !WHOLE_WORD_ONLY.has(low) || /^[A-Z_]+$/.test(name);
            if (counts && Object.hasOwn(IN_NAMES, low)) put(node, name, IN_NAMES[low]);
          }
        const { parent } = node;
        const isOwn =
          (ts.isFunctionDeclaration(parent) ||
            (ts.isVariableDeclaration(parent) &&
              parent.initializer &&
              ts.isArrowFunction(parent.initializer))) &&
          parent.name === node;
        if (isOwn && /[a-z]Of$/.test(name)) put(node, name, 'a verb, or a plain noun');
        if (ts.isPropertySignature(parent) && /^(is|do)$/.test(name)) put(node, name, 'type, or kind');
      } else if (
        !isTest &&
        (ts.isStringLiteralLike(node) || ts.isJsxText(node) || ts.isTemplateExpression(node))
      ) {
        const said = ts.isTemplateExpression(node)
          ? [node.head, ...node.templateSpans.map((s) => s.literal)].map((n) => n.text).join(' … ')
          : node.text;
        // Words for a search, or code, are for nobody to read.
        const isRead = /[a-z]+ [a-z]+ [a-z]+/i.test(said) && /[.,:;!?A-Z’]/.test(said);
        if (isRead)
          for (const [word, better] of IN_TEXTS)
            if (word.test(said)) put(node, `“${said.trim().slice(0, 60)}”`, better);
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return found;
}
