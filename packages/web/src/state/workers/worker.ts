/** Long work beside the main thread. */
import { JOBS } from './jobs.ts';
import { serve } from './serve.ts';

serve(JOBS);
