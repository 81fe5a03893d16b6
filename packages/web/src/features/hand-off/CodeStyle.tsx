/** How the code is written: what names begin with, the cascade layer that motions stand in, and whether selectors are nested. */
import { useId, useState } from 'react';
import type { ReactNode } from 'react';
import { useStore } from 'zustand';
import { DEFAULT_PREFIX, isLayerName, isPrefix, setLayer, setNested, setPrefix } from '@lyvek/core';
import { useSettings } from '../../state/settings.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Popover } from '../../ui/Popover.tsx';
import { codeStyleText as text } from './text.ts';

export function CodeStyle() {
  const { session } = useOpenedPage();
  const { settings, putSettings } = useSettings();
  const prefix = useStore(session.store, (s) => s.document.prefix) ?? DEFAULT_PREFIX;
  const layer = useStore(session.store, (s) => s.document.layer) ?? '';
  const nested = useStore(session.store, (s) => s.document.nested) ?? false;
  const [further, setFurther] = useState(true);
  return (
    <dl className="hand-style">
      <dt>{text.prefixOfNames}</dt>
      <dd>
        <Popover className="word" trigger={text.prefix(prefix)} label={text.prefixOfNames}>
          {(close) => (
            <CodeNameForm
              label={text.prefixOfNames}
              value={prefix}
              maxLength={12}
              isValid={isPrefix}
              example={text.prefixExample}
              invalid={text.notAPrefix}
              onPut={(next) => {
                if (next !== prefix) session.apply(setPrefix(next));
                if (further) putSettings({ ...settings, prefix: next });
                close();
              }}
            >
              <label className="tick">
                <input type="checkbox" checked={further} onChange={(e) => setFurther(e.target.checked)} />
                {text.forFurtherPages}
              </label>
            </CodeNameForm>
          )}
        </Popover>
      </dd>
      <dt>{text.cascadeLayer}</dt>
      <dd>
        <Popover className="word" trigger={layer || text.none} label={text.cascadeLayer}>
          {(close) => (
            <CodeNameForm
              label={text.cascadeLayer}
              value={layer}
              maxLength={80}
              isValid={(name) => name === '' || isLayerName(name)}
              example={text.layerExample}
              invalid={text.notALayer}
              onPut={(next) => {
                if (next !== layer) session.apply(setLayer(next));
                close();
              }}
            />
          )}
        </Popover>
      </dd>
      <dt>{text.selectors}</dt>
      <dd>
        <button
          type="button"
          className="word"
          title={nested ? text.writeInFull : text.nestSelectors}
          onClick={() => session.apply(setNested(!nested))}
        >
          {nested ? text.nested : text.inFull}
        </button>
      </dd>
    </dl>
  );
}

interface CodeNameFormProps {
  label: string;
  value: string;
  maxLength: number;
  isValid(name: string): boolean;
  example(name: string): string;
  invalid: string;
  onPut(name: string): void;
  children?: ReactNode;
}

function CodeNameForm({
  label,
  value,
  maxLength,
  isValid,
  example,
  invalid,
  onPut,
  children,
}: CodeNameFormProps) {
  const [name, setName] = useState(value);
  const id = useId();
  const fits = isValid(name);
  return (
    <form
      className="flex w-64 flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (fits) onPut(name);
      }}
    >
      <label className="flex flex-col gap-1">
        {label}
        <input
          className="field mono"
          value={name}
          maxLength={maxLength}
          spellCheck={false}
          aria-invalid={!fits}
          aria-describedby={id}
          onChange={(e) => setName(e.target.value.trim())}
        />
      </label>
      <p id={id} className="small" role={fits ? undefined : 'alert'}>
        {fits ? example(name) : invalid}
      </p>
      {children}
      <button type="submit" className="btn self-start" disabled={!fits}>
        {text.use}
      </button>
    </form>
  );
}
