/** What a motion was made from, and how to bring the two together again. */
import {
  comparePreset,
  withPart,
  withPresets,
  renewFromPresets,
  detachFromPreset,
  present,
} from '@lyvek/core';
import type { Motion, PresetStand } from '@lyvek/core';
import { api } from '../../../../state/api.ts';
import { usePresets } from '../../../../state/presets.ts';
import { notify, notifyError } from '../../../../ui/notices.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';

const STANDS: Record<PresetStand, string> = {
  same: '',
  'changed here': ', changed here',
  'preset changed': ', which has changed',
  'both changed': ', both have changed',
  gone: '',
};

export function PresetField({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  const { presets, refresh } = usePresets();
  if (!motion.preset) return null;
  const preset = presets.find((p) => p.id === present(motion.preset).id);
  const stand = comparePreset(motion, presets);
  const take = () => {
    session.apply(renewFromPresets('take the preset’s values', presets, [motion.id]));
  };
  const give = async () => {
    try {
      const changed = await api.putPreset({
        id: present(preset).id,
        base: present(preset).revision,
        body: withPart(present(preset), motion),
      });
      await refresh();
      const { renewed, kept } = withPresets(session.store.getState().document, [changed]);
      session.apply(renewFromPresets('update motions made from a preset', [changed]));
      notify(
        [
          `“${present(preset).name}” now matches this motion.`,
          renewed ? `${renewed} more on this page were updated.` : '',
          kept ? `${kept} had changes of their own and stay as they are.` : '',
          changed.uses > 1 ? 'Other takes show it in their inspectors.' : '',
        ]
          .filter(Boolean)
          .join(' '),
      );
    } catch (error) {
      notifyError(error);
      void refresh();
    }
  };
  const detach = () => session.apply(detachFromPreset(motion.id));
  return (
    <p>
      made from{' '}
      <Popover
        className="word"
        label="Preset"
        trigger={`${preset?.name ?? 'a preset that is gone'}${STANDS[stand]}`}
      >
        {(close) => (
          <div className="popover-list">
            {preset && stand !== 'same' && (
              <>
                {stand !== 'preset changed' && (
                  <button
                    type="button"
                    onClick={() => {
                      close();
                      void give();
                    }}
                  >
                    <span className="grow">Update the preset from this</span>
                    <i>and what was made from it</i>
                  </button>
                )}
                <button
                  type="button"
                  onClick={() => {
                    close();
                    take();
                  }}
                >
                  <span className="grow">Update from the preset</span>
                  <i>this motion only</i>
                </button>
              </>
            )}
            <button
              type="button"
              onClick={() => {
                close();
                detach();
              }}
            >
              <span className="grow">Detach</span>
              <i>it stays as it is</i>
            </button>
          </div>
        )}
      </Popover>
    </p>
  );
}
