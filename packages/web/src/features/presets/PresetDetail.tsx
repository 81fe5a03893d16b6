/** One preset: its parts in words, and what can be done with it. */
import { isEndless, isTimed, isTriggered, present } from '@lyvek/core';
import type { PresetFacts } from '@lyvek/api';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { NameForm } from '../../ui/NameForm.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { effectWords, pointWords } from '../../editor/words.ts';
import { usesWords } from './PresetRow.tsx';
import { presetDetailText } from './text.ts';

interface PresetDetailProps {
  preset: PresetFacts;
  onRename(name: string): void;
  onCopy(): void;
  onExport(): void;
  onRemove(): void;
}

export function PresetDetail({ preset, onRename, onCopy, onExport, onRemove }: PresetDetailProps) {
  const { motions, pins, triggers, adjustments } = preset.body;
  return (
    <section className="preset-detail" aria-label={preset.name}>
      <header>
        <h2>{preset.name}</h2>
        <i>
          {usesWords(preset.uses)}
          {preset.revision > 1 && presetDetailText.changed(preset.revision - 1)}
        </i>
        <span className="grow" />
        <Popover label={presetDetailText.renameThePreset} trigger={presetDetailText.rename}>
          {(close) => (
            <NameForm
              label={presetDetailText.nameOfThePreset}
              initial={preset.name}
              action={presetDetailText.rename}
              onName={(name) => {
                onRename(name);
                close();
              }}
            />
          )}
        </Popover>
        <button type="button" className="btn" onClick={onCopy}>
          {presetDetailText.makeACopy}
        </button>
        <button type="button" className="btn" onClick={onExport}>
          {presetDetailText.asAFile}
        </button>
        <button type="button" className="btn" onClick={onRemove}>
          {presetDetailText.deleteIt}
        </button>
      </header>
      <PartsTable motions={motions} pins={pins} />
      {triggers.length + adjustments.length > 0 && (
        <p>
          {presetDetailText.includes(
            [
              ...triggers.map((g) => `the trigger ${g.name}`),
              ...adjustments.map(
                (a) => `${Object.keys(a.declarations).join(', ')} on ${placeWords(a.selector)}`,
              ),
            ].join('; '),
          )}
        </p>
      )}
      <p>{presetDetailText.addItToAn}</p>
    </section>
  );
}

function PartsTable({ motions, pins }: Pick<PresetFacts['body'], 'motions' | 'pins'>) {
  return (
    <table>
      <thead>
        <tr>
          <th>{presetDetailText.part}</th>
          <th>{presetDetailText.moves}</th>
          <th>{presetDetailText.where}</th>
          <th>{presetDetailText.values}</th>
          <th>{presetDetailText.easingDamping}</th>
        </tr>
      </thead>
      <tbody>
        {motions.map((m) => (
          <tr key={m.id}>
            <th scope="row">
              <span>
                <DriverSign kind={m.driver.kind} /> {m.name}
              </span>
            </th>
            <td>{placeWords(m.targets.selector)}</td>
            <td>{whereWords(m)}</td>
            <td>
              {effectWords(m)}
              <code>{valueLines(m).join('\n')}</code>
            </td>
            <td>
              {m.easing}
              {m.damping.kind === 'none'
                ? presetDetailText.noDamping
                : m.damping.kind === 'spring'
                  ? presetDetailText.spring
                  : presetDetailText.halfLife}
            </td>
          </tr>
        ))}
        {pins.map((p) => (
          <tr key={p.id}>
            <th scope="row">
              <span>
                <DriverSign kind="pin" /> {p.name}
              </span>
            </th>
            <td>{placeWords(p.stage)}</td>
            <td>{presetDetailText.pinnedByIts(p.sticky.by)}</td>
            <td>{p.distance.kind === 'length' ? p.distance.value : presetDetailText.asLongAsThe}</td>
            <td />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Elements as a preset names them. */
function placeWords(named: string): string {
  const found = /^&(\^*)\s*>?\s*(.*)$/s.exec(named);
  if (!found) return named;
  const [, up, down] = found;
  const from = up ? (up.length === 1 ? 'its parent' : `its ancestor, ${up.length} levels up`) : 'the element';
  return down ? `${down} in ${from === 'the element' ? 'it' : from}` : from;
}

function whereWords(m: Motion): string {
  if (isEndless(m.driver)) return `endless, ${m.driver.speed} px/s`;
  if (isTimed(m.driver))
    return `${isTriggered(m.driver) ? 'trigger' : 'page load'}, ${present(m.time).duration.replace('ms', ' ms')} after ${present(m.time).delay.replace('ms', ' ms')}`;
  const at = (side: 'start' | 'end') => pointWords(m.range[side], side, m.driver.kind);
  return `${at('start')} until ${at('end')}`;
}

const valueLines = (m: Motion): string[] =>
  Object.entries(m.keyframes).map(
    ([property, list]) => `${property}: ${list.map((k) => k.value).join(' → ')}`,
  );
