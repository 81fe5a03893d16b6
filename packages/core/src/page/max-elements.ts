/** How much of a page is measured. What is beyond is said in the layout’s notes, never left out in silence. */

/** Elements that are large enough to be meant. */
export const MAX_MEASURED = 20_000;
/** With those that selectors ask for, and pseudo-elements. */
export const MAX_ELEMENTS = 24_000;
