/** “at 50 % of the page’s speed, undisturbed where its middle meets 50 %”: a parallax as two numbers. */
import { findDepth, setDepth } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { depthFieldText } from '../text.ts';

const toPercent = (share: number) => `${Number((share * 100).toFixed(1))}%`;
const toShare = (text: string) => Number.parseFloat(text) / 100;

export function DepthField({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  const depth = findDepth(motion);
  if (!depth) return null;
  const { factor, line } = depth;
  return (
    <p>
      {depthFieldText.at}{' '}
      <CssField
        label={depthFieldText.speed}
        property="percentage"
        className="w-16"
        value={toPercent(factor)}
        whyNot={(css) => (toShare(css) === 0 ? depthFieldText.zeroIsAPin : null)}
        onPut={(css) => session.apply(setDepth(motion, { factor: toShare(css), line }))}
      />{' '}
      {line === null ? depthFieldText.fromTheTop : depthFieldText.undisturbed}{' '}
      {line !== null && (
        <CssField
          label={depthFieldText.line}
          property="percentage"
          className="w-16"
          value={toPercent(line)}
          onPut={(css) => session.apply(setDepth(motion, { factor, line: toShare(css) }))}
        />
      )}
    </p>
  );
}
