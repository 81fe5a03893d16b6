/** Read-only code with line marks. Names of motions stand out; everything else stays quiet. */
import { memo, useMemo } from 'react';
import { codeText } from './text.ts';

export interface CodeProps {
  text: string;
  language: 'css' | 'html';
  marks: readonly { from: number; to: number }[];
  /** texts that were added; their lines stand out */
  added?: readonly string[];
  /** lines that are taken out, counted from 1 */
  removed?: readonly number[];
}

/** What stands out in CSS: names of keyframes, and custom names of all kinds. */
function makeNamePattern(css: string): RegExp {
  const names = [...css.matchAll(/@keyframes ([\w-]+)/g)].map((m) => m[1]);
  return new RegExp(`--[\\w-]+${names.length ? `|(?<![\\w-])(?:${names.join('|')})(?![\\w-])` : ''}`);
}

export const Code = memo(function Code({ text, language, marks, added, removed }: CodeProps) {
  const names = useMemo(() => (language === 'css' ? makeNamePattern(text) : null), [text, language]);
  return (
    <pre className="code" tabIndex={0} aria-label={language === 'css' ? codeText.css : codeText.html}>
      {text.split('\n').map((line, i) => {
        const marked = marks.some((m) => i + 1 >= m.from && i + 1 <= m.to);
        const isNew = added?.some((text) => text !== '</div>' && line.includes(text)) ?? false;
        return (
          <span
            key={i}
            className={`line${marked ? ' marked' : ''}${isNew ? ' added' : ''}${removed?.includes(i + 1) ? ' removed' : ''}`}
          >
            {names ? <CssLine line={line} names={names} /> : line}
            {'\n'}
          </span>
        );
      })}
    </pre>
  );
});

function CssLine({ line, names }: { line: string; names: RegExp }) {
  const selector = /^(\s*)([^{}]+)( \{)(.*)$/.exec(line);
  if (selector && !line.trim().startsWith('@') && !/^\s*(?:[\d.]+%|from|to)\b/.test(line))
    return (
      <>
        {selector[1]}
        <b>{selector[2]}</b>
        {selector[3]}
        {selector[4]}
      </>
    );
  const name = names.exec(line);
  if (!name) return <>{line}</>;
  return (
    <>
      {line.slice(0, name.index)}
      <em>{name[0]}</em>
      {line.slice(name.index + name[0].length)}
    </>
  );
}
