/** What a developer does with the files, step by step, and what the page’s own scripts and links can use. */
import { RUNTIME_PACKAGE, listAnchors, listEvents, listSteps } from '@lyvek/core';
import type { Assembled, MotionDocument, PageEvent, Step } from '@lyvek/core';
import { guideText } from './text.ts';

interface GuideProps {
  document: MotionDocument;
  assembled: Assembled;
  /** path of the page’s HTML; empty for a page under development */
  entry: string;
  findName(motion: string): string;
  onCopy(text: string, what: string): void;
}

export function Guide({ document, assembled, entry, findName, onCopy }: GuideProps) {
  const steps = listSteps(assembled, document, entry || guideText.yourHtml);
  const events = listEvents(assembled.plan);
  const anchors = listAnchors(document);
  return (
    <>
      <details className="support guide">
        <summary>{guideText.whatGoesWhere}</summary>
        <p>{guideText.theZipHasAll}</p>
        <ol>
          {steps.map((step, i) => (
            <li key={i}>
              <StepWords step={step} onCopy={onCopy} />
            </li>
          ))}
        </ol>
      </details>
      {events.length + anchors.length > 0 && (
        <details className="support guide">
          <summary>{guideText.forThePagesScripts}</summary>
          <ul>
            {events.map((e) => (
              <li key={e.name + e.selector + (e.detail ?? '')}>
                <b>{findName(e.motion)}</b> {guideText.can[e.name]}
                <CodeLine text={toCode(e)} onCopy={onCopy} />
              </li>
            ))}
            {anchors.map(({ name, href }) => (
              <li key={href}>
                <b>{name}</b> {guideText.isWhereALinkLeads}
                <CodeLine text={`<a href="${href}">`} onCopy={onCopy} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

const toCode = ({ kind, name, selector, detail }: PageEvent): string => {
  const element = `document.querySelector(${JSON.stringify(selector)})`;
  if (kind === 'send') return `${element}.dispatchEvent(new Event('${name}'))`;
  const [field, news] = name === 'signal' ? ['name', 'value'] : ['threshold', 'above'];
  return `${element}.addEventListener('${name}', ({ detail }) => {\n  if (detail.${field} === '${detail}') console.log(detail.${news});\n})`;
};

function StepWords({ step, onCopy }: { step: Step; onCopy: GuideProps['onCopy'] }) {
  if (step.kind === 'new')
    return (
      <>
        {guideText.putBeside}
        <FileNames names={step.files} />
      </>
    );
  if (step.kind === 'start')
    return (
      <>
        {guideText.installAndStart} <code>{RUNTIME_PACKAGE}</code>
        {guideText.thenInAScript}
        <CodeLine text={step.lines.join('\n')} onCopy={onCopy} />
        {guideText.inAComponent}
        <CodeLine text={guideText.effect} onCopy={onCopy} />
      </>
    );
  const file = <code>{step.file}</code>;
  if (step.kind === 'head')
    return (
      <>
        {file} {guideText.lastInItsHead}
        <CodeLine text={step.lines.join('\n')} onCopy={onCopy} />
      </>
    );
  if (step.kind === 'wrap')
    return (
      <>
        {file} {guideText.aTrackAround(step.stages.length)}
        {step.stages.map((s) => (
          <CodeLine key={s.selector} text={`<div class="${s.className}"> … ${s.selector} … </div>`} />
        ))}
      </>
    );
  if (step.kind === 'attributes')
    return (
      <>
        {file} {guideText.attributes(step.elements.length)}
        {step.elements.map((e) => (
          <CodeLine key={e.selector + e.name} text={`${e.selector} { ${e.name}="${e.value}" }`} />
        ))}
      </>
    );
  if (step.kind === 'marks')
    return (
      <>
        {file} {guideText.marks(step.marks.length)}
      </>
    );
  return (
    <>
      {file} {guideText.removed(step.lines)}
    </>
  );
}

const FileNames = ({ names }: { names: readonly string[] }) => (
  <ul>
    {names.map((name) => (
      <li key={name}>
        <code>{name}</code>
      </li>
    ))}
  </ul>
);

function CodeLine({ text, onCopy }: { text: string; onCopy?: GuideProps['onCopy'] }) {
  return (
    <div className="guide-code">
      <pre>{text}</pre>
      {onCopy && (
        <button type="button" className="btn small" onClick={() => onCopy(text, guideText.theCode)}>
          {guideText.copy}
        </button>
      )}
    </div>
  );
}
