export { WalkView } from './walk-view';
