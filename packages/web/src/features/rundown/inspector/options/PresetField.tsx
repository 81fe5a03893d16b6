/** What a motion was made from, and how to bring the two together again. */
import {
  comparePreset,
  withPart,
  withPresets,
  renewFromPresets,
  detachFromPreset,
  switchPreset,
  present,
} from '@lyvek/core';
import type { Motion, PresetStand } from '@lyvek/core';
import { api } from '../../../../state/api.ts';
import { usePresets } from '../../../../state/presets.ts';
import { notify, notifyError } from '../../../../ui/notices.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { presetFieldText } from '../text.ts';

const STANDS: Record<PresetStand, string> = {
  same: '',
  'changed here': ', changed here',
  'preset changed': ', which has changed',
  'both changed': ', both have changed',
  gone: '',
};

/** Bringing a motion and its preset together, or apart. */
function usePresetActs(motion: Motion) {
  const { session } = useOpenedPage();
  const { presets, refresh } = usePresets();
  const preset = presets.find((p) => p.id === motion.preset?.id);
  const take = () => {
    session.apply(renewFromPresets(presetFieldText.takeThePresetsValues, presets, [motion.id]));
  };
  const give = async () => {
    try {
      const was = present(preset);
      const changed = await api.putPreset({
        id: was.id,
        base: was.revision,
        body: withPart(was, motion),
      });
      await refresh();
      const { renewed, kept } = withPresets(session.store.getState().document, [changed]);
      // Undo covers the preset: it is put back too, from whatever revision it has by then.
      let base = changed.revision;
      const putBack = (body: typeof was.body) => async () => {
        try {
          base = (await api.putPreset({ id: was.id, base, body })).revision;
          await refresh();
        } catch (error) {
          notifyError(error);
        }
      };
      session.apply(renewFromPresets(presetFieldText.updateMotionsMadeFrom, [changed]), {
        undo: putBack(was.body),
        redo: putBack(changed.body),
      });
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
  return { take, give, detach };
}

export function PresetField({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  const { presets } = usePresets();
  const { take, give, detach } = usePresetActs(motion);
  if (!motion.preset) return null;
  const preset = presets.find((p) => p.id === present(motion.preset).id);
  const stand = comparePreset(motion, presets);
  return (
    <p>
      {presetFieldText.madeFrom}{' '}
      <Popover
        className="word"
        label={presetFieldText.preset}
        trigger={`${preset?.name ?? 'a preset that is gone'}${STANDS[stand]}`}
      >
        {(close) => (
          <div className="popover-list">
            {preset && stand !== 'same' && stand !== 'preset changed' && (
              <Item
                text={presetFieldText.updateThePresetFrom}
                note={presetFieldText.andWhatWasMade}
                onChoose={() => {
                  close();
                  void give();
                }}
              />
            )}
            {preset && stand !== 'same' && (
              <Item
                text={presetFieldText.updateFromThePreset}
                note={presetFieldText.thisMotionOnly}
                onChoose={() => {
                  close();
                  take();
                }}
              />
            )}
            {presets
              .filter((p) => p.id !== preset?.id && p.body.motions.length > 0)
              .map((p) => (
                <Item
                  key={p.id}
                  text={presetFieldText.switchTo(p.name)}
                  note={presetFieldText.valuesAndRange}
                  onChoose={() => {
                    close();
                    session.apply(switchPreset(motion.id, p));
                  }}
                />
              ))}
            <Item
              text={presetFieldText.detach}
              note={presetFieldText.itStaysAsIt}
              onChoose={() => {
                close();
                detach();
              }}
            />
          </div>
        )}
      </Popover>
    </p>
  );
}

const Item = ({ text, note, onChoose }: { text: string; note: string; onChoose(): void }) => (
  <button type="button" onClick={onChoose}>
    <span className="grow">{text}</span>
    <i>{note}</i>
  </button>
);
