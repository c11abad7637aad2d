export { AgainPage } from './again-page';
export { AgainstPage } from './against-page';
export { FramesPage } from './frames-page';
export { LessonsPage } from './lessons-page';
export { LogView } from './log-view';
export { NoisePage } from './noise-page';
