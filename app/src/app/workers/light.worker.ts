import { lightBuffersOf, LightDesk, type LightQuestion } from './light-desk';
import { serve } from './serve';

const desk = new LightDesk();
serve((question: LightQuestion) => desk.answer(question), lightBuffersOf);
