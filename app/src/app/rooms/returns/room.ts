import type { Room } from '../../shared/room';

export const RETURNS: Room = {
  path: 'walk/returns',
  name: 'Returns',
  bar: 'nowhere',
  hasSides: true,
  pages: [{ path: '', name: 'Returns', load: () => import('./returns-page').then((page) => page.ReturnsPage) }],
};
