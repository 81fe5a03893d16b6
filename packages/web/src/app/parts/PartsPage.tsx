/** Every part of the interface on one page, for looking at it in both themes. Development only: `npm run dev`, then /parts. */
import { useState } from 'react';
import type { ReactNode } from 'react';
import { EFFECTS } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { DRIVER_WORDS } from '../../editor/drivers/words.ts';
import { EffectThumbnail } from '../../editor/EffectThumbnail.tsx';
import { CssField } from '../../editor/fields/CssField.tsx';
import { DampingField } from '../../editor/fields/DampingField.tsx';
import type { SaveState } from '../../state/autosave.ts';
import { ChoiceContext, FIRST_CHOICE } from '../../state/choice.ts';
import { Chevron, FindingSign } from '../../ui/glyphs.tsx';
import { NameForm } from '../../ui/NameForm.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { ThemeButton } from '../../ui/ThemeButton.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { Waiting } from '../../ui/Waiting.tsx';
import { SaveMark } from '../open-page/SaveMark.tsx';

const SAVES: readonly SaveState[] = [
  { kind: 'saved', revision: 12 },
  { kind: 'saving', revision: 12 },
  { kind: 'away', revision: 12, kept: true, full: false },
  { kind: 'away', revision: 12, kept: true, full: true },
  { kind: 'away', revision: 12, kept: false, full: false },
  { kind: 'conflict', revision: 12 },
  { kind: 'refused', revision: 12, why: 'It cannot be stored.' },
];

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="mb-6">
      <h2 className="mb-2 text-[13px] font-semibold">{name}</h2>
      <div className="flex flex-wrap items-start gap-4">{children}</div>
    </section>
  );
}

function Buttons() {
  return (
    <Part name="Buttons">
      <button type="button" className="btn main">
        Add and edit
      </button>
      <button type="button" className="btn">
        Show
      </button>
      <button type="button" className="btn" aria-pressed="true">
        Solo
      </button>
      <button type="button" className="btn" disabled>
        Fix
      </button>
      <button type="button" className="btn square" aria-label="Next">
        <Chevron to="right" />
      </button>
    </Part>
  );
}

function Signs() {
  return (
    <Part name="Signs">
      {(Object.keys(DRIVER_WORDS) as Motion['driver']['kind'][]).map((kind) => (
        <span key={kind} className="flex items-center gap-2">
          <DriverSign kind={kind} /> {DRIVER_WORDS[kind].noun}
        </span>
      ))}
      {(['error', 'warning', 'info'] as const).map((severity) => (
        <span key={severity} className="flex items-center gap-2">
          <FindingSign severity={severity} label={severity} /> {severity}
        </span>
      ))}
    </Part>
  );
}

function Notices() {
  return (
    <>
      <Part name="Notices">
        <button
          type="button"
          className="btn"
          onClick={() =>
            notify('The motion was deleted.', {
              action: { label: 'Undo', run: () => notify('Undid: delete.') },
            })
          }
        >
          One that can be undone
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => notifyError(new Error('The Lyvek server does not answer. Lyvek keeps trying.'))}
        >
          An error
        </button>
      </Part>
      <Part name="Waiting">
        <Waiting what="Opening the page …" failure={null} goesOn again={() => undefined} />
        <Waiting
          what=""
          failure={new Error('The Lyvek server does not answer. Lyvek keeps trying.')}
          goesOn
          again={() => undefined}
        />
      </Part>
    </>
  );
}

export function PartsPage() {
  const [number, setNumber] = useState(12);
  const [css, setCss] = useState('calc(10% + 24px)');
  const [damping, setDamping] = useState<Motion['damping']>({ kind: 'half-life', halfLife: 90 });
  const [order, setOrder] = useState('page');
  return (
    <ChoiceContext value={{ choice: FIRST_CHOICE, choose: () => undefined }}>
      <TopBar crumbs="Parts of the interface">
        <span className="grow" />
        <ThemeButton />
      </TopBar>
      <main className="overflow-auto p-6">
        <Buttons />
        <Part name="Fields">
          <NumberField label="A number" value={number} min={0} max={100} onChange={setNumber} />
          <CssField label="A length" property="length" className="w-40" value={css} onPut={setCss} />
          <DampingField value={damping} onChange={setDamping} />
        </Part>
        <Part name="Popovers">
          <Popover label="Order" trigger={`Order: ${order}`}>
            {(close) => (
              <Choices
                value={order}
                options={[
                  { value: 'page', text: 'as on the page' },
                  { value: 'reverse', text: 'from the last one', note: 'the last begins' },
                ]}
                onChoose={(v) => {
                  setOrder(v);
                  close();
                }}
              />
            )}
          </Popover>
          <Popover label="Name" trigger="Rename">
            {(close) => <NameForm label="Name of the take" action="Rename" initial="Take A" onName={close} />}
          </Popover>
        </Part>
        <Signs />
        <Part name="Saving">
          {SAVES.map((save, i) => (
            <SaveMark key={i} save={save} />
          ))}
        </Part>
        <Notices />
        <Part name="Starting points">
          {EFFECTS.map((effect) => (
            <figure key={effect.id} className="m-0 w-24 text-center">
              <EffectThumbnail effect={effect} playing />
              <figcaption>{effect.name}</figcaption>
            </figure>
          ))}
        </Part>
      </main>
    </ChoiceContext>
  );
}
