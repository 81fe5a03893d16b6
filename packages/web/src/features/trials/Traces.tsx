/** Recorded scrolling: opened from a file, taken away as one, let go. */
import { readTrace, traceCsv, lastItem } from '@lyvek/core';
import type { Trace } from '@lyvek/core';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { traceKey } from '../../state/workers/trial-work.ts';
import { useChoice } from '../../state/choice.ts';
import { useSettings } from '../../state/settings.ts';
import { withTrace } from '../../state/traces.ts';
import { tracesText } from './text.ts';

export function Traces() {
  const { settings, putSettings } = useSettings();
  const { choose, choice } = useChoice();
  const { traces } = settings;
  const open = async (file: File) => {
    const read = readTrace(await file.text(), file.name.replace(/\.\w+$/, '').slice(0, 80) || 'Trace');
    if ('error' in read) return notify(`${file.name}: ${read.error}`, { wrong: true });
    putSettings({ ...settings, traces: withTrace(traces, read.trace) });
    choose({ gesture: traceKey(read.trace) });
  };
  const drop = (trace: Trace) => {
    putSettings({ ...settings, traces: traces.filter((t) => t !== trace) });
    if (choice.gesture === traceKey(trace)) choose({ gesture: 'brisk-wheel' });
    notify(tracesText.wasDeleted(trace.name), {
      action: { label: 'Undo', run: () => putSettings({ ...settings, traces }) },
    });
  };
  return (
    <Popover
      className="btn tall"
      label={tracesText.recordedScrolling}
      placement="bottom-end"
      trigger={tracesText.recorded}
    >
      {() => (
        <div className="constants traces">
          <p>
            <b>{tracesText.recordedScrolling}</b> {tracesText.ofThisProject} <i>{tracesText.record}</i>{' '}
            {tracesText.inTheRundownKeeps}
          </p>
          {traces.map((t) => (
            <div key={t.name} className="trace-row">
              <span className="grow">
                {t.name} <i>{(lastItem(t.samples).t / 1000).toFixed(1)} s</i>
              </span>
              <button type="button" className="btn" onClick={() => save(`${t.name}.json`, JSON.stringify(t))}>
                {tracesText.json}
              </button>
              <button type="button" className="btn" onClick={() => save(`${t.name}.csv`, traceCsv(t))}>
                {tracesText.csv}
              </button>
              <button
                type="button"
                className="btn"
                aria-label={tracesText.deleteNamed(t.name)}
                onClick={() => drop(t)}
              >
                {tracesText.deleteIt}
              </button>
            </div>
          ))}
          <div>
            <label className="btn open-trace">
              {tracesText.openAFile}
              <input
                type="file"
                accept=".json,.csv"
                className="sr-only"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = '';
                  if (file) open(file).catch(notifyError);
                }}
              />
            </label>
            <span className="grow">{tracesText.jsonAsSavedHere}</span>
          </div>
        </div>
      )}
    </Popover>
  );
}

function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text]));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
