/** The open keyframe of a curve: its place, its value, the easing behind it. */
import { itemAt, keyframeOffset } from '@lyvek/core';
import type { Keyframe } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { typedValue, withKeyframe } from '../../../../editor/model/curves.ts';
import type { Curve } from '../../../../editor/model/curves.ts';
import { findPlaced, placedKeyframe } from '../../../../editor/model/keyframes.ts';
import { EasingField } from './EasingField.tsx';
import { curveRowText } from '../text.ts';

interface EditorProps {
  curve: Curve;
  index: number;
  onOpen(keyframe: Keyframe | null): void;
  onTry(keyframes: Keyframe[] | null): void;
  onPut(keyframes: Keyframe[], label: string): void;
  onRemove(): void;
}

export function KeyframeEditor({ curve, index, onOpen, onTry, onPut, onRemove }: EditorProps) {
  const { keyframes } = curve;
  const keyframe = itemAt(keyframes, index);
  return (
    <div className="keyframe-editor">
      <CssField
        label={curveRowText.positionOfTheKeyframe}
        property="percentage"
        className="w-14"
        value={keyframe.at}
        onPut={(v) => {
          const next = placedKeyframe(keyframes, index, Number.parseFloat(v) / 100);
          onPut(next, curveRowText.moveAKeyframe);
          onOpen(findPlaced(keyframes, next, index) ?? null);
        }}
      />
      <CssField
        label={curveRowText.valueOfTheKeyframe}
        property={curve.property}
        className="w-full"
        value={keyframe.value}
        toValue={(text) => typedValue(curve, keyframe.value, text)}
        onPut={(value) =>
          onPut(withKeyframe(keyframes, index, { value }), curveRowText.change(curve.property))
        }
      />
      {index < keyframes.length - 1 && (
        <EasingField
          className="btn"
          value={keyframe.easing ?? 'linear'}
          onChange={(easing) =>
            onPut(withKeyframe(keyframes, index, { easing }), curveRowText.setTheEasingOf)
          }
          onTry={(easing) => onTry(easing === null ? null : withKeyframe(keyframes, index, { easing }))}
        />
      )}
      <Beyond curve={curve} index={index} onPut={onPut} />
      <button type="button" className="btn" aria-label={curveRowText.deleteTheKeyframe} onClick={onRemove}>
        {curveRowText.deleteIt}
      </button>
    </div>
  );
}

/** What happens between the outermost keyframe and the end of the range where that has none: it returns, or it is made to hold. */
function Beyond({ curve: { keyframes }, index, onPut }: Pick<EditorProps, 'curve' | 'index' | 'onPut'>) {
  const { at, value } = itemAt(keyframes, index);
  const share = keyframeOffset(at);
  const side = index === 0 && share > 0 ? '0%' : index === keyframes.length - 1 && share < 1 ? '100%' : null;
  if (side === null) return null;
  const held = side === '0%' ? [{ at: side, value }, ...keyframes] : [...keyframes, { at: side, value }];
  return (
    <span className="beyond">
      {side === '0%' ? curveRowText.comesFromItsOwn : curveRowText.returnsToItsOwn}{' '}
      <button type="button" className="btn small" onClick={() => onPut(held, curveRowText.holdTheValue)}>
        {curveRowText.holdItInstead}
      </button>
    </span>
  );
}
