import { HalfMoon } from './glyphs.tsx';
import { switchTheme, useTheme } from './theme.ts';
import { themeButtonText } from './text.ts';

export function ThemeButton() {
  const dark = useTheme() === 'chartroom-dark';
  return (
    <button
      type="button"
      className="btn square"
      aria-label={dark ? themeButtonText.lightTheme : themeButtonText.darkTheme}
      title={dark ? themeButtonText.lightTheme : themeButtonText.darkTheme}
      onClick={switchTheme}
    >
      <HalfMoon />
    </button>
  );
}
