import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { ShortcutsButton } from './Shortcuts.tsx';
import { ThemeButton } from './ThemeButton.tsx';
import { TopBar } from './TopBar.tsx';
import { shelfFrameText } from './text.ts';

/** The bar over the shelf, with the tools of the rack if there are any. */
export function ShelfFrame({
  crumbs,
  children,
  tools,
}: {
  crumbs: ReactNode;
  children: ReactNode;
  tools?: ReactNode;
}) {
  return (
    <div className="flex h-full flex-col">
      <TopBar crumbs={crumbs}>
        <span className="grow" />
        {tools}
        <NavLink className="btn" to="/presets">
          {shelfFrameText.presets}
        </NavLink>
        <ThemeButton />
        <ShortcutsButton />
      </TopBar>
      {children}
    </div>
  );
}
