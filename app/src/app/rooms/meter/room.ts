import type { Room } from '../../shared/room';

export const METER: Room = {
  path: 'meter',
  name: 'Meter',
  bar: 'always',
  hasSides: true,
  key: 'm',
  view: () => import('./meter-view').then((room) => room.MeterView),
  pagesName: 'Pages of the meter',
  pages: [
    { path: 'tones', name: 'Tones', load: () => import('./tones/tones-page').then((page) => page.TonesPage) },
    { path: 'bench', name: 'Bench', load: () => import('./bench/bench-page').then((page) => page.BenchPage) },
    { path: 'night', name: 'Night', load: () => import('./night/night-page').then((page) => page.NightPage) },
    { path: 'film', name: 'Film', load: () => import('./film/film-page').then((page) => page.FilmPage) },
    { path: 'flash', name: 'Flash', load: () => import('./flash/flash-page').then((page) => page.FlashPage) },
  ],
};
