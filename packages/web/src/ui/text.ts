/** Words of the parts that every screen uses, by the part that shows them. */

export const apexFigureText = {
  thisChartCouldNot: 'This chart could not be loaded. It comes when the server is back.',
};

export const numberFieldText = {
  to: (min: number, max: number) => `${min} to ${max}`,
};

export const shelfFrameText = {
  presets: 'Presets',
};

export const helpButtonText = {
  help: 'Help',
  whatItHolds: 'Help: six ideas in pictures, the tour, and all shortcuts (?)',
};

export const themeButtonText = {
  lightTheme: 'Light theme',
  darkTheme: 'Dark theme',
};

export const topBarText = {
  lyvek: 'Lyvek',
  lyvekTheShelf: 'Lyvek, the shelf',
  place: 'Place',
};

export const waitingText = {
  editsThatWereNot: 'Edits that were not saved yet are kept in this browser.',
  tryNow: 'Try now',
  tryAgain: 'Try again',
};

export const noticesText = {
  close: 'Close',
};

export const commandPaletteText = {
  title: 'Commands',
  whatToDo: 'What to do, choose or open',
  placeholder: 'Do, choose or open …',
  results: 'Results',
  nothingFound: 'Nothing here has that name. Try another word, or part of a selector.',
};
