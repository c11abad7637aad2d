export { BenchPage } from './bench-page';
export { FilmPage } from './film-page';
export { FlashPage } from './flash-page';
export { MeterView } from './meter-view';
export { NightPage } from './night-page';
export { TonesPage } from './tones-page';
