import { serve } from '../serve';
import { type WaysQuestion, WaysDesk } from './ways-jobs';

const desk = new WaysDesk();
serve((question: WaysQuestion) => desk.answer(question));
