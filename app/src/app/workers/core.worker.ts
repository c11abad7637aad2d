import { answerTo, buffersOf } from './questions';
import { serve } from './serve';

serve(answerTo, buffersOf);
