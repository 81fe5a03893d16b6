/** What the lab puts into a page to see everything that moves there on a reader's way. */
import { journey, moving, placesFor } from './journey.ts';

(globalThis as unknown as { lyvekInPage: object }).lyvekInPage = { moving, placesFor, journey };
