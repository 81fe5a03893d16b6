/** What a hand-off includes. Importing it touches nothing. */
export { start } from './player.ts';
