/** Recorded scrolling: opened from a file, taken away as one, let go. */
import { readTrace, traceCsv, lastItem } from '@lyvek/core';
import type { Trace } from '@lyvek/core';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { traceKey } from '../../state/workers/trial-work.ts';
import { useChoice } from '../../state/choice.ts';
import { useSettings } from '../../state/settings.ts';
import { withTrace } from '../../state/traces.ts';

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
    notify(`${trace.name} was deleted.`, {
      action: { label: 'Undo', run: () => putSettings({ ...settings, traces }) },
    });
  };
  return (
    <Popover className="btn tall" label="Recorded scrolling" placement="bottom-end" trigger="Recorded">
      {() => (
        <div className="constants traces">
          <p>
            <b>Recorded scrolling</b> of this project. <i>Record</i> in the Rundown keeps your own.
          </p>
          {traces.map((t) => (
            <div key={t.name} className="trace-row">
              <span className="grow">
                {t.name} <i>{(lastItem(t.samples).t / 1000).toFixed(1)} s</i>
              </span>
              <button type="button" className="btn" onClick={() => save(`${t.name}.json`, JSON.stringify(t))}>
                JSON
              </button>
              <button type="button" className="btn" onClick={() => save(`${t.name}.csv`, traceCsv(t))}>
                CSV
              </button>
              <button type="button" className="btn" aria-label={`Delete ${t.name}`} onClick={() => drop(t)}>
                Delete
              </button>
            </div>
          ))}
          <div>
            <label className="btn open-trace">
              Open a file
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
            <span className="grow">JSON as saved here, or CSV: milliseconds, then pixels</span>
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
