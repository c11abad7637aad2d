export { FramesPage } from './frames-page';
export { LogView } from './log-view';
