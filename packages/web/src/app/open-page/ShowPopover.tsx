/** The take on a device: a link to scan, letters to compare, who is in, and who follows whom. It runs while this page is open. */
import { useState } from 'react';
import type { DeviceFacts, ShowMode, ShowState } from '@lyvek/api';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { DeviceGlyph } from '../../ui/glyphs.tsx';
import { showText } from '../text.ts';
import { QrCode } from './QrCode.tsx';
import { useShow } from './use-show.ts';
import type { Shown } from './use-show.ts';
import './show.css';

export function ShowPopover() {
  const [wanted, want] = useState(false);
  const shown = useShow(wanted);
  const running = shown.state?.running;
  const count = running?.devices.filter((d) => d.state === 'shows').length ?? 0;
  const waits = running?.devices.some((d) => d.state === 'waits') ?? false;
  return (
    <span onPointerDown={() => want(true)} onFocus={() => want(true)}>
      <Popover
        className={`btn icon show-button${waits ? ' waits' : ''}`}
        label={showText.button(running ? count : null, waits)}
        trigger={
          <>
            <DeviceGlyph />
            {running && <span className="show-count">{count}</span>}
          </>
        }
      >
        {() => (
          <div className="show-panel">
            {running ? <Running running={running} shown={shown} /> : <Start shown={shown} />}
          </div>
        )}
      </Popover>
    </span>
  );
}

function Start({ shown }: { shown: Shown }) {
  const { state, problem, start } = shown;
  const addresses = state?.addresses ?? [];
  const [chosen, choose] = useState<string | null>(null);
  const address = chosen ?? addresses[0]?.address;
  return (
    <>
      <h3>{showText.title}</h3>
      <p>{showText.what}</p>
      {state?.ended && <p role="status">{showText.ended(state.ended)}</p>}
      <fieldset>
        <legend>{showText.address}</legend>
        {addresses.map((a) => (
          <label key={a.address} className="show-address">
            <input
              type="radio"
              name="show-address"
              checked={a.address === address}
              onChange={() => choose(a.address)}
            />
            <span className="mono">{a.address}</span> <i>{a.own ? showText.onlyHere : a.name}</i>
          </label>
        ))}
      </fieldset>
      <p className="small">{address ? showText.reachable(address) : showText.noAddress}</p>
      {problem && <p role="alert">{problem}</p>}
      <button
        type="button"
        className="btn primary"
        disabled={!address}
        onClick={() => address && start(address)}
      >
        {showText.start}
      </button>
    </>
  );
}

interface RunningProps {
  running: NonNullable<ShowState['running']>;
  shown: Shown;
}

function Running({ running, shown }: RunningProps) {
  const { url, link, code, mode, devices } = running;
  return (
    <>
      <h3>{showText.title}</h3>
      <div className="show-ways">
        <QrCode text={link} label={showText.scan} />
        <div>
          <p>{showText.scanOrType}</p>
          <p className="mono show-url">{url}</p>
          <p className="show-code" aria-label={showText.letters}>
            {code}
          </p>
        </div>
      </div>
      <ul className="show-devices" aria-label={showText.devices}>
        {devices.length === 0 && <li>{showText.nobodyYet}</li>}
        {devices.map((d) => (
          <DeviceRow key={d.id} device={d} shown={shown} />
        ))}
      </ul>
      <Choices<ShowMode> options={showText.modes} value={mode} onChoose={shown.setMode} />
      <p className="small">{showText.onlyThisPort(running.address, running.port)}</p>
      <button type="button" className="btn" onClick={shown.stop}>
        {showText.stop}
      </button>
    </>
  );
}

function DeviceRow({ device, shown }: { device: DeviceFacts; shown: Shown }) {
  const { id, name, address, state, code, report } = device;
  return (
    <li>
      <span className="grow">
        <b>{name}</b> <i className="mono">{address}</i>
        <br />
        {shown.recording === id
          ? showText.scrollOnIt
          : state === 'waits'
            ? showText.shows(code)
            : report
              ? showText.size(report)
              : showText.states[state]}
      </span>
      {state === 'shows' && (
        <button
          type="button"
          className="btn"
          disabled={shown.recording !== null}
          onClick={() => shown.record(id)}
        >
          {showText.record}
        </button>
      )}
      {state === 'waits' && (
        <button type="button" className="btn primary" onClick={() => shown.admit(id, true)}>
          {showText.letIn}
        </button>
      )}
      <button type="button" className="btn" onClick={() => shown.admit(id, false)}>
        {state === 'waits' ? showText.refuse : showText.putOut}
      </button>
    </li>
  );
}
