import type { Room } from '../../shared/room';

export const NOW: Room = {
  path: 'now',
  name: 'Now',
  bar: 'walking',
  hasSides: false,
  pages: [{ path: '', name: 'Now', load: () => import('./now-view').then((page) => page.NowView) }],
};
