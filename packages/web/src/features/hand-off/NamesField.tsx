/** “Names begin with lv-”: what the names of keyframes, timelines and classes in the hand-off begin with. */
import { useId, useState } from 'react';
import { useStore } from 'zustand';
import { DEFAULT_PREFIX, isPrefix, setPrefix } from '@lyvek/core';
import { useSettings } from '../../state/settings.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Popover } from '../../ui/Popover.tsx';
import { namesFieldText } from './text.ts';

export function NamesField() {
  const { session } = useOpenedPage();
  const { settings, putSettings } = useSettings();
  const prefix = useStore(session.store, (s) => s.document.prefix) ?? DEFAULT_PREFIX;
  return (
    <p className="hand-names">
      {namesFieldText.namesBegin}{' '}
      <Popover
        className="word"
        trigger={prefix === '' ? namesFieldText.withNothing : namesFieldText.withPrefix(prefix)}
        label={namesFieldText.prefixOfNames}
      >
        {(close) => (
          <PrefixForm
            prefix={prefix}
            onPut={(next, further) => {
              if (next !== prefix) session.apply(setPrefix(next));
              if (further) putSettings({ ...settings, prefix: next });
              close();
            }}
          />
        )}
      </Popover>
      .
    </p>
  );
}

function PrefixForm({ prefix, onPut }: { prefix: string; onPut(prefix: string, further: boolean): void }) {
  const [text, setText] = useState(prefix);
  const [further, setFurther] = useState(true);
  const id = useId();
  const fits = isPrefix(text);
  return (
    <form
      className="flex w-64 flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (fits) onPut(text, further);
      }}
    >
      <label className="flex flex-col gap-1">
        {namesFieldText.prefixOfNames}
        <input
          className="field mono"
          value={text}
          maxLength={12}
          spellCheck={false}
          aria-invalid={!fits}
          aria-describedby={id}
          onChange={(e) => setText(e.target.value.trim())}
        />
      </label>
      <p id={id} className="small" role={fits ? undefined : 'alert'}>
        {fits ? namesFieldText.example(text) : namesFieldText.notAPrefix}
      </p>
      <label className="tick">
        <input type="checkbox" checked={further} onChange={(e) => setFurther(e.target.checked)} />
        {namesFieldText.forFurtherPages}
      </label>
      <button type="submit" className="btn self-start" disabled={!fits}>
        {namesFieldText.use}
      </button>
    </form>
  );
}
