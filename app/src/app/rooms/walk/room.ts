import type { Loader, Room } from '../../shared/room';

const load: Loader = () => import('./walk-view').then((page) => page.WalkView);

/** Two faces of one walk: against time, and from above. */
export const WALK: Room = {
  path: 'walk',
  name: 'Walk',
  bar: 'always',
  hasSides: true,
  key: 'w',
  ownKeys: [{ keys: '← → ↑ ↓', words: 'on the plan: move a stop by a metre, turn it by five degrees' }],
  pages: [
    { path: '', name: 'Time', load },
    { path: 'plan', name: 'Plan', data: { face: 'plan' }, load },
  ],
};
