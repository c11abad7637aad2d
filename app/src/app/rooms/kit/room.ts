import type { Room } from '../../shared/room';

export const KIT: Room = {
  path: 'kit',
  name: 'Kit',
  bar: 'apart',
  hasSides: true,
  key: 'k',
  pages: [{ path: '', name: 'Kit', load: () => import('./kit-view').then((page) => page.KitView) }],
};
