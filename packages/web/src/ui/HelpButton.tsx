import { createStore } from 'zustand/vanilla';
import { helpButtonText } from './text.ts';

/** Whether the help lies over the screen. */
export const helpStore = createStore(() => ({ open: false }));
export const openHelp = (): void => helpStore.setState({ open: true });
export const closeHelp = (): void => helpStore.setState({ open: false });

export const HelpButton = () => (
  <button
    type="button"
    className="btn square"
    aria-label={helpButtonText.help}
    title={helpButtonText.whatItHolds}
    onClick={openHelp}
  >
    ?
  </button>
);
