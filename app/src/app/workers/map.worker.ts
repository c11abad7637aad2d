import { mapSteps } from './map-desk';
import { serve } from './serve';

serve(mapSteps);
