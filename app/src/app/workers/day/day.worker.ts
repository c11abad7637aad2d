import { serve } from '../serve';
import { type DayAsked, DayDesk } from './day-jobs';

const desk = new DayDesk();
serve((asked: DayAsked) => desk.answer(asked));
