/** A trigger in the lanes: a flag hanging from its line, a hollow one standing on the line for the way up, its parts as threads below. */
import { itemAt, present } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import type { Flag } from '../model/flags.ts';
import { effectWords } from '../../../editor/words.ts';
import { toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { flagMarkText } from './text.ts';

interface FlagMarkProps {
  flag: Flag;
  x: number;
  view: View;
  rows: number;
  /** its name stands beside the lanes */
  listed: boolean;
  selected: boolean;
  onSelect(id: string, additive: boolean): void;
}

export function FlagMark({
  flag: { trigger, down, up, past, parts },
  x,
  view,
  rows,
  listed,
  selected,
  onSelect,
}: FlagMarkProps) {
  const y = toRow(down, view);
  const above = toRow(up, view);
  if (y < -30 || above > rows + 30) return null;
  const first = parts[0];
  const id = parts.length === 1 ? present(first).id : trigger.id;
  return (
    <g
      className={`flag${selected ? ' selected' : ''}${trigger.on ? '' : ' muted'}`}
      data-trigger={trigger.id}
      data-event={trigger.event}
      onPointerDown={(e) => {
        e.stopPropagation();
        onSelect(id, e.shiftKey);
      }}
    >
      {y - above > 3 && (
        <>
          <rect className="flag-still" x={x - 9} y={above} width={24} height={y - above} />
          <path className="flag-up" d={`M${x - 9} ${above}h24M${x - 4} ${above}v-8h11l-3 4 3 4z`} />
        </>
      )}
      {Number.isFinite(past) && <path className="flag-past" d={`M${x - 9} ${y}V${toRow(past, view)}h17`} />}
      <path className="flag-line" d={`M${x - 9} ${y}h17`} />
      <path className="flag-shape" d={`M${x - 4} ${y}h11l-3 4 3 4h-11z`} />
      <rect className="flag-area" x={x - 12} y={y - 4} width={30} height={16} />
      {!listed && (
        <>
          <text className="name" x={x + 13} y={y + 4}>
            {trigger.name.length > 21 ? `${trigger.name.slice(0, 20).trimEnd()}…` : trigger.name}
          </text>
          <text className="what" x={x + 13} y={y + 17}>
            {parts.length === 1
              ? flagMarkText.ms(
                  effectWords(present(first)),
                  Number.parseFloat(present(present(first).time).duration),
                )
              : flagMarkText.parts(parts.length)}
          </text>
        </>
      )}
    </g>
  );
}

interface LoadMarkProps {
  loads: readonly Motion[];
  x: number;
  view: View;
  listed: boolean;
  selected: boolean;
  onSelect(id: string): void;
}

/** What plays at page load: at the top of the page, whatever has been scrolled. */
export function LoadMark({ loads, x, view, listed, selected, onSelect }: LoadMarkProps) {
  const y = toRow(0, view);
  if (y < -30) return null;
  return (
    <g
      className={`flag${selected ? ' selected' : ''}`}
      data-load=""
      onPointerDown={(e) => {
        e.stopPropagation();
        onSelect(itemAt(loads, 0).id);
      }}
    >
      <path className="flag-line" d={`M${x - 9} ${y}h17m-8.5 0v11m-4 -4l4 4 4 -4`} />
      <rect className="flag-area" x={x - 12} y={y - 4} width={30} height={18} />
      {!listed && (
        <>
          <text className="name" x={x + 13} y={y + 8}>
            {flagMarkText.atPageLoad}
          </text>
          <text className="what" x={x + 13} y={y + 21}>
            {loads.length === 1 ? itemAt(loads, 0).name.slice(0, 20) : flagMarkText.parts(loads.length)}
          </text>
        </>
      )}
    </g>
  );
}
