/** Words of the preview, by the part that shows them. */

export const pagePreviewText = {
  opening: 'opening …',
  doesNotAnswer: 'does not answer',
  reload: 'Reload',
};
