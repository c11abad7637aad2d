import { BenchDesk, type BenchQuestion, buffersOfBench } from './bench-jobs';
import { serve } from '../serve';

const desk = new BenchDesk();
serve((question: BenchQuestion) => desk.answer(question), buffersOfBench);
