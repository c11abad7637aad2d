import { answerTo } from './questions';
import { serve } from './serve';

serve(answerTo);
