/** Damping of a motion: none, by a half-life, or by a spring; with what that means in px and ms. */
import {
  clockById,
  halfLifeOfFactor,
  halfLifeToCatchUp,
  overshoot,
  settleTime,
  steadyLag,
} from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { Popover } from '../../ui/Popover.tsx';
import { useChoice } from '../../state/choice.ts';
import { CssField } from './CssField.tsx';
import { dampingFieldText } from '../text.ts';

type Damping = Motion['damping'];
const trim = (n: number, digits = 1) => String(Number(n.toFixed(digits)));

export function dampingLabel(f: Damping): string {
  if (f.kind === 'none') return 'none';
  if (f.kind === 'half-life') return `${trim(f.halfLife)} ms half-life`;
  return `spring, ${trim(f.frequency, 2)} Hz, ratio ${trim(f.ratio, 2)}`;
}

const KINDS: readonly { kind: Damping['kind']; text: string; start: Damping }[] = [
  { kind: 'none', text: 'none', start: { kind: 'none' } },
  { kind: 'half-life', text: 'half-life', start: { kind: 'half-life', halfLife: 90 } },
  { kind: 'spring', text: 'spring', start: { kind: 'spring', frequency: 2.4, ratio: 0.8 } },
];

export function DampingField({ value, onChange }: { value: Damping; onChange(f: Damping): void }) {
  return (
    <Popover className="word" label={dampingFieldText.damping} trigger={dampingLabel(value)}>
      {() => <DampingEditor value={value} onChange={onChange} />}
    </Popover>
  );
}

interface EditorProps {
  value: Damping;
  onChange(f: Damping): void;
}

function DampingEditor({ value, onChange }: EditorProps) {
  return (
    <div className="damping-editor">
      <div className="point-row quick" role="group" aria-label={dampingFieldText.damping}>
        {KINDS.map((k) => (
          <button
            key={k.kind}
            type="button"
            className="btn"
            aria-pressed={value.kind === k.kind}
            onClick={() => value.kind !== k.kind && onChange(k.start)}
          >
            {k.text}
          </button>
        ))}
      </div>
      {value.kind === 'half-life' && <HalfLifeRows value={value} onChange={onChange} />}
      {value.kind === 'spring' && <SpringRows value={value} onChange={onChange} />}
      <Meaning value={value} />
    </div>
  );
}

/** Puts a number that was typed, within its bounds. */
const putNumber = (text: string, [low, high]: readonly [number, number], put: (n: number) => void): void => {
  const n = Number.parseFloat(text);
  if (Number.isFinite(n)) put(Math.min(high, Math.max(low, n)));
};

type RowsProps<K extends Damping['kind']> = {
  value: Extract<Damping, { kind: K }>;
  onChange(f: Damping): void;
};

function HalfLifeRows({ value, onChange }: RowsProps<'half-life'>) {
  return (
    <>
      <Row label={dampingFieldText.halfLifeMs}>
        <CssField
          label={dampingFieldText.halfLifeInMs}
          property="number"
          value={trim(value.halfLife)}
          onPut={(v) => putNumber(v, [1, 5000], (halfLife) => onChange({ ...value, halfLife }))}
        />
      </Row>
      <Row label={dampingFieldText.maximumLagPx}>
        <CssField
          label={dampingFieldText.largestLagInPx}
          property="number"
          value={value.cap === undefined ? 'any' : trim(value.cap)}
          onPut={(v) => {
            const n = Number.parseFloat(v);
            const { kind, halfLife } = value;
            onChange(
              Number.isFinite(n)
                ? { kind, halfLife, cap: Math.min(5000, Math.max(1, n)) }
                : { kind, halfLife },
            );
          }}
        />
      </Row>
      <Row label={dampingFieldText.fromAFactorPer}>
        <CssField
          label={dampingFieldText.factorPerFrameAt}
          property="number"
          value={trim(1 - Math.exp((-Math.LN2 * 1000) / 60 / value.halfLife), 3)}
          onPut={(v) => {
            const factor = Number.parseFloat(v);
            if (factor > 0 && factor < 1)
              onChange({ ...value, halfLife: Math.min(5000, Math.max(1, halfLifeOfFactor(factor, 60))) });
          }}
        />
      </Row>
      <Row label={dampingFieldText.settlesWithinInS}>
        <CssField
          label={dampingFieldText.secondsToCatchUp}
          property="number"
          value={trim((value.halfLife * Math.log(100)) / Math.LN2 / 1000, 2)}
          onPut={(v) =>
            putNumber(v, [0.01, 30], (s) =>
              onChange({ ...value, halfLife: Math.min(5000, halfLifeToCatchUp(s, 0.01)) }),
            )
          }
        />
      </Row>
    </>
  );
}

function SpringRows({ value, onChange }: RowsProps<'spring'>) {
  return (
    <>
      <Row label={dampingFieldText.frequencyHz}>
        <CssField
          label={dampingFieldText.frequencyInHz}
          property="number"
          value={trim(value.frequency, 2)}
          onPut={(v) => putNumber(v, [0.1, 30], (frequency) => onChange({ ...value, frequency }))}
        />
      </Row>
      <Row label={dampingFieldText.dampingRatio}>
        <CssField
          label={dampingFieldText.dampingRatioLabel}
          property="number"
          value={trim(value.ratio, 2)}
          onPut={(v) => putNumber(v, [0.05, 5], (ratio) => onChange({ ...value, ratio }))}
        />
      </Row>
    </>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <label className="point-row">
      <span>{label}</span>
      {children}
    </label>
  );
}

/** Read in a page of this speed. */
const SPEED = 1500;

function Meaning({ value }: { value: Damping }) {
  const clock = clockById(useChoice().choice.clock);
  if (value.kind === 'none') return <p className="m-0">{dampingFieldText.itIsExactlyWhere}</p>;
  const shoots = overshoot(value);
  return (
    <p className="m-0">
      {dampingFieldText.scrolledAtPxA(SPEED)}{' '}
      <b>{dampingFieldText.pxValue(trim(steadyLag(value, SPEED), 0))}</b> {dampingFieldText.behindAfterAPage}{' '}
      <b>{dampingFieldText.ms(trim(settleTime(value, 700), 0))}</b>
      {shoots > 0.005 ? (
        <>
          {dampingFieldText.shootingOverBy} <b>{trim(shoots * 100, 0)} %</b>
        </>
      ) : null}
      {dampingFieldText.theSameAtHz(clock.refresh)}
    </p>
  );
}
