/** The project’s own thresholds. */
import { DEFAULT_LIMITS, LIMIT_NAMES, LIMITS } from '@lyvek/core';
import { NumberField } from '../../ui/NumberField.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useSettings } from '../../state/settings.ts';
import { limitsText } from './text.ts';

export function Limits() {
  const { project } = useOpenedPage();
  const { settings, putSettings } = useSettings();
  const { limits } = settings;
  const isOwn = LIMIT_NAMES.every((n) => limits[n] === DEFAULT_LIMITS[n]);
  return (
    <Popover className="btn" label={limitsText.limits} placement="bottom-end" trigger={limitsText.limits}>
      {() => (
        <div className="constants limits">
          <p>
            <b>{limitsText.limits}</b> {limitsText.ofAllPagesIn(project.name)}
          </p>
          {LIMIT_NAMES.map((name) => {
            const l = LIMITS[name];
            return (
              <label key={name}>
                <span>
                  {l.name}
                  <i>{l.what}</i>
                </span>
                <NumberField
                  label={l.name}
                  value={limits[name]}
                  min={l.min}
                  max={l.max}
                  whole={'whole' in l && l.whole}
                  onChange={(n) => putSettings({ ...settings, limits: { ...limits, [name]: n } })}
                />
                <em>{l.unit}</em>
              </label>
            );
          })}
          <div>
            <span className="grow" />
            <button
              type="button"
              className="btn"
              disabled={isOwn}
              onClick={() => putSettings({ ...settings, limits: DEFAULT_LIMITS })}
            >
              {limitsText.lyvekDefault}
            </button>
          </div>
        </div>
      )}
    </Popover>
  );
}
