export { BenchPage } from './bench-page';
export { MeterView } from './meter-view';
export { NightPage } from './night-page';
export { TonesPage } from './tones-page';
