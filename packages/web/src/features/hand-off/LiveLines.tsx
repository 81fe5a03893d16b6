/** Instead of the page’s files, which a page under development keeps to itself: what its own source needs. */
import { makePatch } from '@lyvek/core';
import type { Assembled, MotionDocument } from '@lyvek/core';
import { Code } from './Code.tsx';
import { liveLinesText } from './text.ts';

export function LiveLines({
  document,
  assembled,
  onCopy,
}: {
  document: MotionDocument;
  assembled: Assembled;
  onCopy(text: string, what: string): void;
}) {
  const head = assembled.html.lines.join('\n');
  const { wraps, attributes } = makePatch(document, [], document.prefix);
  return (
    <section className="hand-html">
      <header className="hand-head">
        <b>{liveLinesText.inYourOwnSource}</b>
        <span className="grow" />
        <button
          type="button"
          className="btn small"
          onClick={() => onCopy(head, liveLinesText.whatTheHeadNeeds)}
        >
          {liveLinesText.copy}
        </button>
      </header>
      <Code text={head} language="html" marks={[]} added={assembled.html.lines} />
      {wraps.map((w) => (
        <Code
          key={w.id}
          text={`<div class="${w.className}">\n${w.anchors.map((a) => `  <i class="${a.className}" id="${a.id}"></i>\n`).join('')}  … ${w.selector}\n</div>`}
          language="html"
          marks={[]}
        />
      ))}
      {attributes.map((a) => (
        <Code
          key={a.selector + a.name}
          text={`${a.selector}  ${a.name}="${a.value}"`}
          language="html"
          marks={[]}
        />
      ))}
      {assembled.script !== null && <Code text={assembled.script.text} language="html" marks={[]} />}
      <div className="hand-notes">
        <p>
          <b>{liveLinesText.add}</b> {liveLinesText.theLinesAtThe}
        </p>
        {wraps.length > 0 && (
          <p>
            <b>{liveLinesText.add}</b> {liveLinesText.aTrackAroundEach}
          </p>
        )}
        <p>
          <b>{liveLinesText.remove}</b> {liveLinesText.thePairingLineWhen}
        </p>
      </div>
    </section>
  );
}
