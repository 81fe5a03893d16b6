import { useState } from 'react';
import type { PresetFacts } from '@lyvek/api';
import { partsWords } from '@lyvek/core';
import type { EffectDefinition } from '@lyvek/core';
import { EffectThumbnail } from '../../editor/EffectThumbnail.tsx';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';

interface PresetRowProps {
  preset: PresetFacts;
  effect: EffectDefinition;
  chosen: boolean;
  onChoose(): void;
}

export const usesWords = (n: number): string =>
  n === 0 ? 'not used yet' : n === 1 ? 'used in one take' : `used in ${n} takes`;

export function PresetRow({ preset, effect, chosen, onChoose }: PresetRowProps) {
  const [hovered, setHovered] = useState(false);
  return (
    <li>
      <button
        type="button"
        aria-current={chosen}
        className={`preset-row${chosen ? ' chosen' : ''}`}
        onClick={onChoose}
        onPointerEnter={() => setHovered(true)}
        onPointerLeave={() => setHovered(false)}
      >
        <EffectThumbnail effect={effect} playing={hovered} />
        <span className="preset-name">
          <DriverSign kind={effect.driver} /> {preset.name}
        </span>
        <span className="preset-what">
          {partsWords(preset.body)}, {usesWords(preset.uses)}
        </span>
      </button>
    </li>
  );
}
