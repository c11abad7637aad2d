import { frameAnswer } from './frame-jobs';
import { serveAsync } from '../serve-async';

serveAsync(frameAnswer);
