import type { Room } from '../../shared/room';

export const START: Room = {
  path: 'start',
  name: 'Start a walk',
  bar: 'nowhere',
  hasSides: false,
  pages: [{ path: '', name: 'Start a walk', load: () => import('./start-page').then((page) => page.StartPage) }],
};
