/** The fields, words and buttons of the sheet that is open, as commands: from the palette straight to a value or an act. */
import type { Command } from '../../ui/commands.ts';
import { commandsText } from './text.ts';

type Control = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement | HTMLButtonElement;
const CONTROLS =
  '.inspector :is(input:not([type=checkbox], [type=radio]), select, textarea, button:is(.word, .btn)):not(:disabled)';

/** As assistive technology names it. */
const readName = (control: Control): string =>
  control.getAttribute('aria-label') ?? control.labels?.[0]?.textContent ?? control.textContent;

function open(control: Control): void {
  control.scrollIntoView({ block: 'nearest' });
  control.focus();
  if (control instanceof HTMLInputElement) control.select();
  // A word opens what stands behind it, a button does what it says.
  if (control instanceof HTMLButtonElement) control.click();
}

export function listSheetFields(): Command[] {
  const seen = new Map<string, number>();
  return [...document.querySelectorAll<Control>(CONTROLS)].map((control) => {
    const name = readName(control).replace(/\s+/g, ' ').trim();
    const count = (seen.get(name) ?? 0) + 1;
    seen.set(name, count);
    const shown = control instanceof HTMLButtonElement ? control.textContent.trim() : control.value;
    return {
      id: `field ${name} ${count}`,
      name,
      group: commandsText.inTheSheet,
      ...(shown && shown !== name ? { note: shown } : {}),
      run: () => open(control),
    };
  });
}
