import { lightBuffersOf, MeasuredLight, type LightQuestion } from './measured-light';
import { serve } from './serve';

const desk = new MeasuredLight();
serve((question: LightQuestion) => desk.answer(question), lightBuffersOf);
