import { serve } from '../serve';
import { type DayAsked, DayJobs } from './day-jobs';

const jobs = new DayJobs();
serve((asked: DayAsked) => jobs.answer(asked));
