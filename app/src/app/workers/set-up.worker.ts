import { serve } from './serve';
import { setUpSteps } from './set-up-desk';

serve(setUpSteps);
