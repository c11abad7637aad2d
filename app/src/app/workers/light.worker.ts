import { lightBuffersOf, LightDesk } from './light-desk';
import { serveSteps } from './serve-steps';

const desk = new LightDesk();
serveSteps((question: Parameters<LightDesk['answer']>[0]) => desk.answer(question), lightBuffersOf);
