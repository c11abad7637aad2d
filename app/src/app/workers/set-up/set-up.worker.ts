import { serve } from '../serve';
import { setUpSteps } from './set-up-jobs';

serve(setUpSteps);
