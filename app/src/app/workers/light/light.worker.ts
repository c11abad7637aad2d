import { lightBuffersOf, LightJobs, type LightQuestion } from './light-jobs';
import { serve } from '../serve';

const jobs = new LightJobs();
serve((question: LightQuestion) => jobs.answer(question), lightBuffersOf);
