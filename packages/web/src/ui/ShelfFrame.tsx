import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { HelpButton } from './HelpButton.tsx';
import { ThemeButton } from './ThemeButton.tsx';
import { TopBar } from './TopBar.tsx';
import { shelfFrameText } from './text.ts';

/** The bar over the shelf, with the tools of the rack if there are any. */
export function ShelfFrame({
  crumbs,
  home = '/',
  presetsFrom = '',
  children,
  tools,
}: {
  crumbs: ReactNode;
  home?: string;
  /** what Presets is opened from, as a query */
  presetsFrom?: string;
  children: ReactNode;
  tools?: ReactNode;
}) {
  return (
    <div className="flex h-full flex-col">
      <TopBar crumbs={crumbs} home={home}>
        <span className="grow" />
        {tools}
        <NavLink className="btn" to={`/presets${presetsFrom}`}>
          {shelfFrameText.presets}
        </NavLink>
        <ThemeButton />
        <HelpButton />
      </TopBar>
      {children}
    </div>
  );
}
