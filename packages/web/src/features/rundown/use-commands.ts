/** What the Rundown offers in the palette: its acts with their keys, effects for the chosen element, motions, elements. */
import { EFFECTS, elementName, itemAt, replaceMotions } from '@lyvek/core';
import type { EffectDefinition } from '@lyvek/core';
import { useCommands } from '../../ui/commands.ts';
import type { Command } from '../../ui/commands.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { usePresets } from '../../state/presets.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { effectWords } from '../../editor/words.ts';
import { DRIVER_WORDS } from '../../editor/drivers/words.ts';
import { useTrying } from './add/use-trying.ts';
import type { Key } from './acts.ts';
import { ARRANGEMENTS } from './model/arrange-several.ts';
import { findElements } from './model/find-elements.ts';
import { useShowElement } from './use-show-element.ts';
import { listSheetFields } from './sheet-fields.ts';
import { press } from './use-keys.ts';
import type { Rundown } from './rundown-context.ts';
import { commandsText } from './text.ts';

const MAX_ELEMENTS = 12;

const key = (name: string): Key => {
  const parts = name.split(' ');
  return {
    key: itemAt(parts, parts.length - 1) || ' ',
    ctrl: parts.includes('Ctrl'),
    shift: parts.includes('Shift'),
    alt: parts.includes('Alt'),
  };
};

/** The acts that are keys: what each is called, its keys as they are shown, and what it needs. */
const ACTS: readonly { name: string; keys: string; needs?: 'selection' | 'element'; words?: string }[] = [
  { name: 'Play or stop the scroll', keys: 'Space', words: 'transport run' },
  { name: 'Add a motion …', keys: 'A', needs: 'element', words: 'effect starting point new' },
  { name: 'Undo', keys: 'Ctrl Z' },
  { name: 'Redo', keys: 'Ctrl Y' },
  { name: 'Duplicate', keys: 'Ctrl D', needs: 'selection', words: 'copy' },
  { name: 'Copy', keys: 'Ctrl C', needs: 'selection' },
  { name: 'Paste onto the chosen element', keys: 'Ctrl V' },
  { name: 'Delete', keys: 'Delete', needs: 'selection', words: 'remove' },
  { name: 'Mute or unmute', keys: 'M', needs: 'selection', words: 'off on disable' },
  { name: 'Solo', keys: 'S', needs: 'selection', words: 'only alone' },
  { name: 'Rename', keys: 'F2', needs: 'selection', words: 'name' },
  { name: 'Add a keyframe at the playhead', keys: 'B', needs: 'selection' },
  { name: 'Select all motions', keys: 'Ctrl A' },
  { name: 'Next motion', keys: 'N' },
  { name: 'Previous motion', keys: 'Shift N' },
  { name: 'Go to the selection', keys: 'G', needs: 'selection', words: 'show scroll jump' },
  { name: 'Scroll to the next start or end', keys: 'E' },
  { name: 'Scroll to the start of the page', keys: 'Home', words: 'top' },
  { name: 'Scroll to the end of the page', keys: 'End', words: 'bottom' },
  { name: 'Zoom in', keys: '+' },
  { name: 'Zoom out', keys: '-' },
  { name: 'Show the whole page in the lanes', keys: '0', words: 'zoom fit' },
  { name: 'Find motions and elements', keys: '/', words: 'search' },
  { name: 'Help, with all shortcuts', keys: '?', words: 'keyboard ideas' },
];

export function useRundownCommands(rundown: Rundown): void {
  const page = { ...useOpenedPage(), ...useShownPage() };
  const { effects: kept } = usePresets();
  const trying = useTrying(rundown);
  const showElement = useShowElement(rundown);
  const { selection, chosen, layout, document, bars } = rundown;
  const element = layout.elements[chosen];
  const missing = (needs: 'selection' | 'element' | undefined) =>
    needs === 'selection' && selection.length === 0
      ? commandsText.selectAMotionFirst
      : needs === 'element' && !element
        ? commandsText.chooseAnElementFirst
        : undefined;
  const acts = (): Command[] =>
    ACTS.map(({ name, keys, needs, words }) => ({
      ...{ id: `act ${name}`, name, keys: keys.replace('Delete', 'Del'), group: commandsText.acts },
      ...(words ? { words } : {}),
      disabled: missing(needs),
      run: () => void press(keys === 'Space' ? { ...key(''), key: ' ' } : key(keys), rundown, page),
    }));
  const arrangements = (): Command[] => {
    const chosenBars = bars.filter((b) => selection.includes(b.motion.id));
    return ARRANGEMENTS.map(({ label, change }) => ({
      ...{ id: `arrange ${label}`, name: label, group: commandsText.severalMotions },
      disabled: chosenBars.length < 2 ? commandsText.selectSeveralFirst : undefined,
      run: () => void page.session.apply(replaceMotions(label.toLowerCase(), change(chosenBars))),
    }));
  };
  const effects = (): Command[] =>
    [...EFFECTS, ...kept].map((effect: EffectDefinition) => ({
      id: `effect ${effect.id}`,
      name: commandsText.add(effect.name),
      group: element ? commandsText.addTo(elementName(element, layout)) : commandsText.addToAnElement,
      words: `${effect.name} ${effect.words ?? ''}`,
      note: effect.what,
      disabled: trying.aimed(effect).reason ?? undefined,
      run: () => trying.add(effect),
    }));
  const things = (): Command[] => [
    ...document.motions.map((m) => ({
      ...{ id: m.id, name: m.name, group: commandsText.motions },
      ...{ words: m.targets.selector, note: `${effectWords(m)}, ${DRIVER_WORDS[m.driver.kind].short}` },
      run: () => rundown.select(m.id),
    })),
    ...[...document.pins, ...document.triggers, ...document.cues].map((x) => ({
      ...{ id: x.id, name: x.name, group: commandsText.pinsTriggersCues },
      run: () => rundown.select(x.id),
    })),
  ];
  const elements = (query: string): Command[] =>
    findElements(query, layout, MAX_ELEMENTS).map(({ element: i, name, code }) => ({
      ...{ id: `element ${i}`, name, note: code, group: commandsText.elements },
      words: `${code} ${code.replace(/[.#]/g, ' ')} ${itemAt(layout.elements, i).selector} ${itemAt(layout.elements, i).text}`,
      run: () => showElement(i),
    }));
  const view = (): Command[] => [
    {
      id: 'guides',
      name: commandsText.guides,
      group: commandsText.acts,
      run: () => rundown.setGuides(!rundown.guides),
    },
    {
      id: 'outlines',
      name: commandsText.outlines,
      group: commandsText.acts,
      run: () => rundown.setOutlines(!rundown.outlines),
    },
    {
      ...{ id: 'reduced', name: commandsText.reducedMotion, group: commandsText.acts },
      run: () => page.setReducedMotion(!page.reducedMotion),
    },
  ];
  useCommands('rundown', (query) => [
    ...[...acts(), ...view(), ...arrangements()],
    // A long list only once it is asked for.
    ...(query.trim() ? [...listSheetFields(), ...effects(), ...things(), ...elements(query)] : []),
  ]);
}
