import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Wordmark } from './glyphs.tsx';
import { topBarText } from './text.ts';

/** The bar over every screen; `children` are what the screen adds behind the breadcrumb. */
export function TopBar({
  crumbs,
  home = '/',
  children,
}: {
  crumbs: ReactNode;
  /** the shelf of the project one is in */
  home?: string;
  children?: ReactNode;
}) {
  return (
    <header className="top-bar">
      <Link to={home} className="wordmark" aria-label={topBarText.lyvekTheShelf}>
        <Wordmark />
        {topBarText.lyvek}
      </Link>
      <nav className="breadcrumb" aria-label={topBarText.place}>
        {crumbs}
      </nav>
      {children}
    </header>
  );
}
