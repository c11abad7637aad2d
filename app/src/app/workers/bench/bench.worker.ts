import { BenchJobs, type BenchQuestion, buffersOfBench } from './bench-jobs';
import { serve } from '../serve';

const jobs = new BenchJobs();
serve((question: BenchQuestion) => jobs.answer(question), buffersOfBench);
