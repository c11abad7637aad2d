import { lightBuffersOf, MeasuredLight, type LightQuestion } from './light-jobs';
import { serve } from '../serve';

const desk = new MeasuredLight();
serve((question: LightQuestion) => desk.answer(question), lightBuffersOf);
