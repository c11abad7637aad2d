import type { Room } from '../../shared/room';

export const SETTING_OFF: Room = {
  path: 'walk/before',
  name: 'Before setting off',
  bar: 'nowhere',
  hasSides: true,
  pages: [
    { path: '', name: 'Before setting off', load: () => import('./before-setting-off').then((page) => page.BeforeSettingOff) },
  ],
};
