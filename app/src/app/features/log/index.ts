export { AgainstPage } from './against-page';
export { FramesPage } from './frames-page';
export { LogView } from './log-view';
