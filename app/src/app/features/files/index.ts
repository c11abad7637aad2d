export { WalkFiles } from './walk-files';
export { FileActions } from './file-actions';
