import { mapSteps } from './map-jobs';
import { serve } from '../serve';

serve(mapSteps);
