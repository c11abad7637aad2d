import type { Room } from '../../shared/room';

export const SET_UP: Room = {
  path: 'setup',
  name: 'Set-up',
  bar: 'table',
  hasSides: true,
  key: 's',
  ownKeys: [{ keys: '← → ↑ ↓', words: 'on the limits chart: next setting; with Shift, read without changing' }],
  view: () => import('./set-up-view').then((room) => room.SetUpView),
  pagesName: 'Pages of Set-up',
  pages: [
    { path: 'holds', name: 'What limits it', load: () => import('./what-holds/holds-page').then((page) => page.HoldsPage) },
    {
      path: 'light',
      name: 'As light goes',
      load: () => import('./as-light-goes/as-light-goes-page').then((page) => page.AsLightGoesPage),
    },
    { path: 'night', name: 'The night', load: () => import('./night/schools-page').then((page) => page.SchoolsOfNightPage) },
    { path: 'stand', name: 'Where to stand', load: () => import('./where-to-stand/stand-page').then((page) => page.StandPage) },
    { path: 'hands', name: 'My hands', load: () => import('./hands-and-lens/hands-page').then((page) => page.HandsPage) },
  ],
};
