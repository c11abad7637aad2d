export { KitView } from './kit-view';
