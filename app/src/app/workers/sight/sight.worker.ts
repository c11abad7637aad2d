import { type SightAsk, sightBuffersOf, SightJobs } from './sight-jobs';
import { serve } from '../serve';

const jobs = new SightJobs();
serve((ask: SightAsk) => jobs.answer(ask), sightBuffersOf);
