/** One preset: its parts, whose values can be edited in place, and what can be done with it. */
import { isEndless, isPointed, isTimed, isTriggered, pointKind, present } from '@lyvek/core';
import type { PresetFacts } from '@lyvek/api';
import type { Motion, PresetBody } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { CssField } from '../../editor/fields/CssField.tsx';
import { NameForm } from '../../ui/NameForm.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { effectWords, pointWords } from '../../editor/words.ts';
import { usesWords } from './PresetRow.tsx';
import { presetDetailText } from './text.ts';

interface PresetDetailProps {
  preset: PresetFacts;
  onRename(name: string): void;
  onEdit(body: PresetBody): void;
  onCopy(): void;
  onExport(): void;
  onRemove(): void;
}

export function PresetDetail({ preset, onRename, onEdit, onCopy, onExport, onRemove }: PresetDetailProps) {
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
      <PartsTable
        motions={motions}
        pins={pins}
        onMotion={(changed) =>
          onEdit({ ...preset.body, motions: motions.map((m) => (m.id === changed.id ? changed : m)) })
        }
      />
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

interface PartsTableProps extends Pick<PresetFacts['body'], 'motions' | 'pins'> {
  onMotion(changed: Motion): void;
}

function PartsTable({ motions, pins, onMotion }: PartsTableProps) {
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
            <td>
              <Where motion={m} onMotion={onMotion} />
            </td>
            <td>
              {effectWords(m)}
              <Values motion={m} onMotion={onMotion} />
            </td>
            <td>
              <CssField
                label={presetDetailText.easingFor(m.name)}
                className="w-40"
                value={m.easing}
                property="easing"
                onPut={(easing) => onMotion({ ...m, easing })}
              />
              <div>
                {m.damping.kind === 'none'
                  ? presetDetailText.noDamping
                  : m.damping.kind === 'spring'
                    ? presetDetailText.spring
                    : presetDetailText.halfLife}
              </div>
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

interface PartProps {
  motion: Motion;
  onMotion(changed: Motion): void;
}

/** When it plays, or between which points of the scroll. */
function Where({ motion: m, onMotion }: PartProps) {
  if (isEndless(m.driver)) return presetDetailText.endless(m.driver.speed);
  if (isPointed(m.driver)) return presetDetailText.pointed(m.driver.axis);
  if (isTimed(m.driver)) {
    const time = present(m.time);
    const field = (part: 'duration' | 'delay') => (
      <CssField
        label={presetDetailText.timeOf[part](m.name)}
        value={time[part]}
        property="time"
        onPut={(text) =>
          onMotion({ ...m, time: { ...time, [part]: text.endsWith('ms') ? text : `${text}ms` } })
        }
      />
    );
    return (
      <>
        {isTriggered(m.driver) ? presetDetailText.trigger : presetDetailText.pageLoad} {field('duration')}{' '}
        {presetDetailText.after} {field('delay')}
      </>
    );
  }
  const end = (side: 'start' | 'end') => {
    const point = m.range[side];
    // Points that are no phase are changed where they can be seen, in the Rundown.
    return typeof point === 'string' && pointKind(m.driver) === 'phases' ? (
      <CssField
        label={presetDetailText.rangeOf[side](m.name)}
        className="w-28"
        value={point}
        property="phase"
        onPut={(text) => onMotion({ ...m, range: { ...m.range, [side]: text } })}
      />
    ) : (
      pointWords(point, side, m.driver.kind)
    );
  };
  return (
    <>
      {end('start')} {presetDetailText.until} {end('end')}
    </>
  );
}

/** Each keyframe’s value. */
const Values = ({ motion: m, onMotion }: PartProps) => (
  <dl className="preset-values">
    {Object.entries(m.keyframes).map(([property, list]) => (
      <div key={property}>
        <dt>{property}</dt>
        {list.map((k, i) => (
          <dd key={k.at}>
            <i>{k.at}</i>
            <CssField
              label={presetDetailText.valueOf(property, k.at, m.name)}
              className="w-32"
              value={k.value}
              property={property}
              onPut={(value) =>
                onMotion({
                  ...m,
                  keyframes: {
                    ...m.keyframes,
                    [property]: list.map((o, n) => (n === i ? { ...o, value } : o)),
                  },
                })
              }
            />
          </dd>
        ))}
      </div>
    ))}
  </dl>
);
