export { NowView } from './now-view';
