/** Words of the shelf, by the part that shows them. */

export const addPageText = {
  addYourFirstPage: 'Add your first page',
  addAPage: 'Add a page',
  dropItHereAn: 'Drop it here: an HTML file, a folder, or a zip.',
  anyPageWillDo: 'Any page will do, the longer the better.',
  cancel: 'Cancel',
  addressOfYourDevelopment: 'Address of your development server',
  aPageOnThis: 'A page on this machine, such as http://localhost:5173/',
  connect: 'Connect',
  back: 'Back',
  htmlOfThePage: 'HTML of the page',
  doctypeHtml: '<!doctype html> …',
  addIt: 'Add it',
  chooseAFile: 'Choose a file',
  chooseAFolder: 'Choose a folder',
  pasteHtml: 'Paste HTML',
  connectADevServer: 'Connect a dev server',
  fromSections: 'Start from sections',
  sections: 'Sections of the page',
  makeIt: 'Make the page',
  itIsOnlyRead: 'It is only read. Nothing in it changes before you hand off.',
  htmlFileOrZip: 'HTML file or zip',
  folder: 'Folder',
};

export const measureText = {
  measuring: (name: string) => `Measuring ${name}`,
};

export const pageMenuText = {
  nameOfThePage: 'Name of the page',
  rename: 'Rename',
  renameItem: 'Rename …',
  deleteIt: 'Delete',
  isTheNewerVersion: (name: string) => `“${name}” is the newer version now.`,
  addingIt: 'Adding it …',
  addANewerVersion: 'Add a newer version …',
  newerVersionOf: (name: string) => `Newer version of ${name}`,
};

export const pageStripText = {
  open: (name: string, at: number | null) => `Open ${name}${at === null ? '' : ` at ${Math.round(at)} px`}`,
  openAt: (at: string) => `open at ${at}`,
  notOpenedYet: 'not opened yet',
  beingMeasured: 'being measured …',
  px: 'px',
  noMotionsYet: 'no motions yet',
  motion: 'motion',
  motions: 'motions',
  pxLeftOut: (cut: string) => `${cut} px left out`,
};

export const projectCrumbText = {
  project: (name: string) => `Project ${name}`,
  theProjectWasDeleted: (name: string) => `The project “${name}” was deleted.`,
  nameOfTheNew: 'Name of the new project',
  create: 'Create',
  nameOfTheProject: 'Name of the project',
  rename: 'Rename',
  newProject: 'New project …',
  renameItem: 'Rename …',
  deleteNamed: (name: string) => `Delete ${name}`,
  saveAsAFile: 'Save as a file …',
  withAllThatIsIn: 'Pages, takes with their revisions, presets, limits and trials, as one zip',
  restoreFromAFile: 'Restore from a file …',
  restoring: 'Restoring …',
  restored: (names: string[]) =>
    names.length === 1 ? `The project “${names[0]}” is back.` : `${names.length} projects are back.`,
  allData: (bytes: string) => `All data: ${bytes}`,
  deletedProjectsAndPages:
    'Deleted projects and pages can be restored for 30 days. Of older revisions the last of each minute is kept, after a day the last of each hour, after two weeks the last of each day.',
};

export const rackText = {
  addingImportingItsCss: (name: string) =>
    `Adding ${name}: importing its CSS, and proving its own motion in Chromium …`,
  makingThePage: 'Making the page …',
  isOnTheShelf: (name: string) => `“${name}” is on the shelf.`,
  itHoldsOthers: (paths: string[]) =>
    paths.length === 1
      ? `There is another HTML file with it: ${paths[0]}.`
      : `There are ${paths.length} more HTML files with it.`,
  readingTheFiles: 'Reading the files …',
  wasRemovedFromThe: (name: string) => `“${name}” was removed from the shelf.`,
  findAPage: 'Find a page',
  pagePx: 'page px',
  theShelf: 'The shelf',
  empty: 'empty',
  resumeTheTour: 'Resume the tour',
  allAt: (count: number, scale: number) => `${count} ${count === 1 ? 'page' : 'pages'}, all at 1 : ${scale}`,
  smaller: 'Smaller',
  larger: 'Larger',
  moreFor: (name: string) => `More for ${name}`,
  more: 'More',
  noPageMatches: (query: string) => `No page matches “${query}”.`,
  whichFileIsThe: 'Which file is the page?',
  thereAreSeveralHtml: 'There are several HTML files and none is called index.html.',
  dontAddIt: 'Don’t add it',
};

export const shelfScreenText = {
  noProjectYet: 'No project yet',
  aProjectHoldsThe: 'A project holds the pages that belong together.',
  nameOfTheFirst: 'Name of the first project',
  create: 'Create',
  openingTheShelf: 'Opening the shelf …',
};

export const welcomeText = {
  welcome: 'Welcome',
  title: 'Make long pages move as they are scrolled',
  whatItIs:
    'Put reveals, parallax, pins and triggers on a page, see how smooth they are, and take home standard CSS. Below are three demo pages, ready to look into.',
  ownProject: 'My pages',
  takeTheTour: 'Take the tour',
  fiveSteps: 'five steps on a demo page',
  ownPage: 'Add your own page',
  aFileAFolder: 'a file, a folder, a zip, or a dev server',
  fromSections: 'Start from sections',
  heroCards: 'hero, cards, tall scene, strip, article, gallery',
  close: 'Close',
};
