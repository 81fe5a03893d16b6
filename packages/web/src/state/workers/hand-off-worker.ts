/** Hand-offs, put together beside the main thread. */
import { HAND_OFF_JOBS } from './hand-off-jobs.ts';
import { serve } from './serve.ts';

serve(HAND_OFF_JOBS);
