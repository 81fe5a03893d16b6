/** Hand-off: what is written, what becomes of the page’s own files, the proof that a browser shows it, and the files to take away. */
import { Waiting } from '../../ui/Waiting.tsx';
import { routes, toRequest } from '@lyvek/api';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { listFeatures } from '@lyvek/core';
import type { Assembled, Target } from '@lyvek/core';
import { readScriptSizes } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Code } from './Code.tsx';
import { Guide } from './Guide.tsx';
import { HtmlColumn } from './HtmlColumn.tsx';
import { InStep } from './InStep.tsx';
import { LiveLines } from './LiveLines.tsx';
import { MotionList } from './MotionList.tsx';
import { CodeStyle } from './CodeStyle.tsx';
import { Proof, proofMark } from './Proof.tsx';
import { SecondWidth } from './SecondWidth.tsx';
import { Support } from './Support.tsx';
import { TakeAway } from './TakeAway.tsx';
import { Unmeasured } from './Unmeasured.tsx';
import { useHandOff, useHandOffOptions } from './use-hand-off.ts';
import { handOffScreenText } from './text.ts';

const TARGET_WORDS: Record<Target, { word: string; note: string }> = {
  css: { word: 'CSS and a module', note: 'a module only where CSS cannot do it' },
  package: { word: 'CSS and an import', note: 'for bundlers: the script comes from an installed package' },
  standards: { word: 'CSS alone', note: 'what needs a script is left out and listed' },
  'web-animations': { word: 'Web Animations', note: 'scrubbed motions as a module, the rest as CSS' },
};

export function HandOffScreen() {
  const { page, take, session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { measured, others } = useLayout();
  const document = useStore(session.store, (s) => s.document);
  const save = useStore(session.store, (s) => s.save);
  const [chosen, setChosen] = useState<string | null>(null);
  const [options, setOptions] = useHandOffOptions();
  const { assembled, isFresh, waiting, html, query } = useHandOff(options);
  const scriptBytes = useScriptBytes(assembled);
  useTitle(page.name);
  if (!measured) return <Unmeasured />;
  if (!assembled) return <Waiting what={handOffScreenText.generatingCss} {...waiting} />;
  const copy = isFresh ? copyText : () => notify(handOffScreenText.isWrittenAnew);
  const count = assembled.how.length;
  const byScript = assembled.how.filter((h) => h.by !== 'css').length;
  const findName = (id: string) => document.motions.find((m) => m.id === id)?.name ?? id;
  return (
    <div className="hand-off" aria-busy={!isFresh}>
      <SecondWidth />
      <section className="hand-left">
        <header className="hand-head">
          <b>{handOffScreenText.handOff}</b>
        </header>
        <HandSentence count={count} target={options.target} onTarget={(target) => setOptions({ target })} />
        <CodeStyle />
        <h2>
          {handOffScreenText.inThisHandOff}{' '}
          <span>{handOffScreenText.cssScript(count - byScript, byScript)}</span>
        </h2>
        <MotionList
          document={document}
          assembled={assembled}
          api={options.target === 'web-animations'}
          chosen={chosen}
          onChoose={setChosen}
        />
      </section>
      <CssColumn assembled={assembled} chosen={chosen} onCopy={copy} />
      {page.live ? (
        <LiveLines document={document} assembled={assembled} onCopy={copy} />
      ) : (
        <HtmlColumn entry={page.entry} html={html} assembled={assembled} onCopy={copy} />
      )}
      <section className="hand-take">
        {page.live ? <NoProof /> : <Proof query={query} saved={save.kind === 'saved'} onShow={setChosen} />}
        <TakeAway
          href={`/api${toRequest(routes.handOff, { id: take.id, ...query })[0]}`}
          saved={save.kind === 'saved'}
          empty={count === 0}
          assembled={assembled}
          options={options}
          onOptions={setOptions}
          findName={findName}
          script={scriptBytes}
          sizes={[viewport, ...others.map((l) => l.viewport)]}
        />
        <InStep takeId={take.id} page={page.name} onCopy={copy} />
        <Guide
          document={document}
          assembled={assembled}
          entry={page.live ? '' : page.entry}
          findName={findName}
          onCopy={copy}
        />
        <Support
          needed={listFeatures(document, assembled.how)}
          fallback={assembled.fallback !== null}
          deviations={assembled.deviations}
          findName={findName}
          takeId={take.id}
          mark={proofMark(save.revision, query)}
        />
      </section>
    </div>
  );
}

const copyText = (text: string, what: string) =>
  void navigator.clipboard.writeText(text).then(() => notify(handOffScreenText.isCopied(what)), notifyError);

function useTitle(page: string): void {
  useEffect(() => {
    window.document.title = `Hand-off · ${page} · Lyvek`;
  }, [page]);
}

/** Bytes of the script with what it starts; null: there is none. */
function useScriptBytes(assembled: Assembled | null): number | null {
  const runtimes = assembled?.runtimes ?? [];
  const { data: sizes } = useQuery({
    queryKey: ['scripts'],
    queryFn: readScriptSizes,
    enabled: runtimes.length > 0,
    staleTime: Infinity,
  });
  if (!assembled?.script) return null;
  return runtimes.reduce((sum, name) => sum + (sizes?.[name] ?? 0), assembled.script.text.length);
}

interface CssColumnProps {
  assembled: Assembled;
  /** the motion whose rules are marked */
  chosen: string | null;
  onCopy(text: string, what: string): void;
}

function CssColumn({ assembled, chosen, onCopy }: CssColumnProps) {
  // The chosen motion’s first rule comes into sight.
  useEffect(() => {
    if (chosen !== null)
      window.document
        .querySelector('.hand-css .marked')
        ?.scrollIntoView({ block: 'center', inline: 'nearest' });
  }, [chosen]);
  const marked = assembled.lines.filter((l) => chosen !== null && l.piece.motions.includes(chosen));
  return (
    <section className="hand-css">
      <header className="hand-head">
        <b>{assembled.sheet.href}</b>{' '}
        <span>{handOffScreenText.writtenLines(assembled.css.split('\n').length - 1)}</span>
        <span className="grow" />
        <button
          type="button"
          className="btn small"
          onClick={() => onCopy(assembled.css, handOffScreenText.theCss)}
        >
          {handOffScreenText.copy}
        </button>
      </header>
      <Code text={assembled.css} language="css" marks={marked} />
    </section>
  );
}

interface HandSentenceProps {
  count: number;
  target: Target;
  onTarget(target: Target): void;
}

function HandSentence({ count, target, onTarget }: HandSentenceProps) {
  const { take } = useOpenedPage();
  return (
    <p className="hand-sentence">
      {count === 0 ? (
        handOffScreenText.nothingMovesYetSo
      ) : (
        <>
          {handOffScreenText.ofAs(count, take.name)} <TargetChoice value={target} onChoose={onTarget} />.
        </>
      )}
    </p>
  );
}

function TargetChoice({ value, onChoose }: { value: Target; onChoose(target: Target): void }) {
  const { word } = TARGET_WORDS[value];
  return (
    <Popover className="word" trigger={word} label={handOffScreenText.whatPlaysTheMotions(word)}>
      {(close) => (
        <Choices<Target>
          value={value}
          options={(Object.keys(TARGET_WORDS) as Target[]).map((target) => ({
            value: target,
            text: TARGET_WORDS[target].word,
            note: TARGET_WORDS[target].note,
          }))}
          onChoose={(target) => {
            onChoose(target);
            close();
          }}
        />
      )}
    </Popover>
  );
}

const NoProof = () => (
  <div className="proof">
    <header className="hand-head">
      <b>{handOffScreenText.proof}</b>
    </header>
    <p className="proof-empty">
      {handOffScreenText.aPageUnderDevelopment} <code>{handOffScreenText.lyvekProve}</code>{' '}
      {handOffScreenText.onTheResult}
    </p>
  </div>
);
