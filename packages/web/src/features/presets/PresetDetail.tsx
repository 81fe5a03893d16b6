/** One preset: its parts in words, and what can be done with it. */
import { isEndless, isTimed, isTriggered, present } from '@lyvek/core';
import type { PresetFacts } from '@lyvek/api';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { NameForm } from '../../ui/NameForm.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { effectWords, pointWords } from '../../editor/words.ts';
import { usesWords } from './PresetRow.tsx';

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
          {preset.revision > 1 &&
            `, changed ${preset.revision === 2 ? 'once' : `${preset.revision - 1} times`}`}
        </i>
        <span className="grow" />
        <Popover label="Rename the preset" trigger="Rename">
          {(close) => (
            <NameForm
              label="Name of the preset"
              initial={preset.name}
              action="Rename"
              onName={(name) => {
                onRename(name);
                close();
              }}
            />
          )}
        </Popover>
        <button type="button" className="btn" onClick={onCopy}>
          Make a copy
        </button>
        <button type="button" className="btn" onClick={onExport}>
          As a file
        </button>
        <button type="button" className="btn" onClick={onRemove}>
          Delete
        </button>
      </header>
      <table>
        <thead>
          <tr>
            <th>part</th>
            <th>moves</th>
            <th>where</th>
            <th>values</th>
            <th>easing, damping</th>
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
                  ? ', no damping'
                  : m.damping.kind === 'spring'
                    ? ', spring'
                    : ', half-life'}
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
              <td>pinned by its {p.sticky.by}</td>
              <td>{p.distance.kind === 'length' ? p.distance.value : 'as long as the strip’s travel'}</td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
      {triggers.length + adjustments.length > 0 && (
        <p>
          Includes{' '}
          {[
            ...triggers.map((g) => `the trigger ${g.name}`),
            ...adjustments.map(
              (a) => `${Object.keys(a.declarations).join(', ')} on ${placeWords(a.selector)}`,
            ),
          ].join('; ')}
          .
        </p>
      )}
      <p>
        Add it to an element with + Motion. Motions made from a preset can be changed freely; from their
        inspector the preset can be updated too, and with it everything else made from it.
      </p>
    </section>
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
