import { serve } from './serve';
import { answerSetUp } from './set-up.questions';

serve(answerSetUp);
