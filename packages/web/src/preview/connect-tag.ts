/** The one line that a page under development needs. */
export const connectTag = (code: string, at: Pick<Location, 'origin'> = location): string =>
  `<script src="${connectAddress(code, at)}"></script>`;

/** What it loads, for plugins that put it there. */
export const connectAddress = (code: string, at: Pick<Location, 'origin'> = location): string =>
  `${at.origin}/connect/${code}.js`;
