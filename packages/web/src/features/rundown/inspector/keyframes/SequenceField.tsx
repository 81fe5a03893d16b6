/** Which pictures a sequence goes through: the addresses, and how many of them the page has. */
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { changeMotion, parseSequence, sequenceFrom, sequenceText } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { useShownPage } from '../../../../preview/shown-page.ts';
import type { Counted } from '../../../../preview/page-link.ts';
import { sequenceFieldText } from '../text.ts';

/** What was typed, as a sequence: the address of one picture stands for those that begin with it. */
function toSequence(text: string): string {
  const from = parseSequence(text) ? null : sequenceFrom(text);
  return from ? sequenceText(from) : text;
}

export function SequenceField({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  const counted = useCounted(motion.files);
  const sequence = motion.files === undefined ? null : parseSequence(motion.files);
  const put = (files: string) =>
    session.apply(changeMotion(motion.id, sequenceFieldText.setThePictures, (m) => ({ ...m, files })));
  const length = sequence ? sequence.last - sequence.first + 1 : 0;
  const missing = counted && counted.count < length;
  return (
    <div className="signal sequence-field">
      <CssField
        label={sequenceFieldText.pictures}
        property="files"
        className="w-full"
        placeholder={sequenceFieldText.example}
        value={motion.files ?? ''}
        toValue={toSequence}
        onPut={put}
      />
      <p className="m-0" role={missing ? 'alert' : 'status'}>
        {sequence ? sequenceFieldText.found(length, counted) : sequenceFieldText.nameThem}
      </p>
      {counted && sequence && counted.count > length && (
        <button
          type="button"
          className="btn"
          onClick={() => put(sequenceText({ ...sequence, last: sequence.first + counted.count - 1 }))}
        >
          {sequenceFieldText.useAll(counted.count)}
        </button>
      )}
    </div>
  );
}

/** Null until the page has looked for them. */
function useCounted(files: string | undefined): Counted | null {
  const { link } = useShownPage();
  const isReady = useStore(link.store, (s) => s.link === 'ready');
  const [counted, setCounted] = useState<{ files: string; counted: Counted } | null>(null);
  useEffect(() => {
    // Before the page is there, nobody would answer.
    if (files === undefined || !isReady) return;
    let stopped = false;
    void link.countPictures(files).then((c) => {
      if (!stopped) setCounted({ files, counted: c });
    });
    return () => {
      stopped = true;
    };
  }, [link, files, isReady]);
  return counted?.files === files ? (counted?.counted ?? null) : null;
}
