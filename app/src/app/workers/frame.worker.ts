import { frameAnswer } from './frame-desk';
import { serveAsync } from './serve-async';

serveAsync(frameAnswer);
