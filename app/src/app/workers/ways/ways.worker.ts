import { serve } from '../serve';
import { type WaysQuestion, WaysJobs } from './ways-jobs';

const jobs = new WaysJobs();
serve((question: WaysQuestion) => jobs.answer(question));
