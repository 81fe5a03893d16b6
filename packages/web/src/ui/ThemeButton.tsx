import { HalfMoon } from './glyphs.tsx';
import { switchTheme, useTheme } from './theme.ts';

export function ThemeButton() {
  const dark = useTheme() === 'chartroom-dark';
  return (
    <button
      type="button"
      className="btn square"
      aria-label={dark ? 'Light theme' : 'Dark theme'}
      title={dark ? 'Light theme' : 'Dark theme'}
      onClick={switchTheme}
    >
      <HalfMoon />
    </button>
  );
}
