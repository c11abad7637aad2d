import type { Room } from '../../shared/room';

export const LIGHT: Room = {
  path: 'light',
  name: 'Light',
  bar: 'always',
  hasSides: true,
  key: 'l',
  ownKeys: [{ keys: '← → ↑ ↓', words: 'on the year chart: days and ten minutes, Enter goes there' }],
  view: () => import('./light-view').then((room) => room.LightView),
  pagesName: 'Pages of Light',
  pages: [
    { path: 'view', name: 'View', load: () => import('./view/view-page').then((page) => page.ViewPage) },
    { path: 'now', name: 'Street', load: () => import('./now/now-page').then((page) => page.NowPage) },
    { path: 'year', name: 'Year', load: () => import('./year/year-page').then((page) => page.YearPage) },
    { path: 'night', name: 'Night', load: () => import('./night/night-page').then((page) => page.NightOfStopPage) },
    { path: 'sky', name: 'Sky', load: () => import('./sky/sky-page').then((page) => page.SkyPage) },
    { path: 'district', name: 'Buildings', load: () => import('./district/district-page').then((page) => page.DistrictPage) },
  ],
};
