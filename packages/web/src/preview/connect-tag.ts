/** The one line that a page under development needs. */
export const connectTag = (code: string, at: Pick<Location, 'origin'> = location): string =>
  `<script src="${at.origin}/connect/${code}.js"></script>`;
