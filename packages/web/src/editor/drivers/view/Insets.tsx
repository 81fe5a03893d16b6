/** Insets shrink the part of the viewport that counts. */
import { changeMotion } from '@lyvek/core';
import type { Motion, ViewDriver } from '@lyvek/core';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { CssField } from '../../fields/CssField.tsx';
import { insetsText } from './text.ts';

export function Insets({ motion, driver }: { motion: Motion; driver: ViewDriver }) {
  const { session } = useOpenedPage();
  const put = (side: 0 | 1, text: string) => {
    const insets: [string, string] = [...driver.insets];
    insets[side] = text;
    session.apply(
      changeMotion(motion.id, insetsText.changeTheInsets, (m) => ({ ...m, driver: { ...driver, insets } })),
    );
  };
  return (
    <div className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2">
      {insetsText.insetsTop}
      <CssField
        label={insetsText.insetAtTheTop}
        value={driver.insets[0]}
        property="length"
        onPut={(v) => put(0, v)}
      />
      {insetsText.bottom}
      <CssField
        label={insetsText.insetAtTheBottom}
        value={driver.insets[1]}
        property="length"
        onPut={(v) => put(1, v)}
      />
    </div>
  );
}
