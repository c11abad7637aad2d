export { MeterView } from './meter-view';
