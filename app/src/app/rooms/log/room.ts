import type { Room } from '../../shared/room';

export const LOG: Room = {
  path: 'log',
  name: 'Log',
  bar: 'always',
  hasSides: true,
  key: 'g',
  ownKeys: [
    { keys: '1–7, 0', words: 'in the Log: mark the chosen frames; 0 rejects, Backspace clears the mark' },
    { keys: '[ ]', words: 'in the Log: move the chosen frames to the previous or next stop; Delete removes them' },
  ],
  view: () => import('./log-view').then((room) => room.LogView),
  pagesName: 'Pages of the log',
  pages: [
    { path: 'frames', name: 'Frames', load: () => import('./frames/frames-page').then((page) => page.FramesPage) },
    { path: 'against', name: 'Against the card', load: () => import('./against/against-page').then((page) => page.AgainstPage) },
    { path: 'lessons', name: 'What they teach', load: () => import('./lessons/lessons-page').then((page) => page.LessonsPage) },
    { path: 'again', name: 'When again', load: () => import('./again/again-page').then((page) => page.AgainPage) },
    { path: 'noise', name: 'Noise', load: () => import('./noise/noise-page').then((page) => page.NoisePage) },
  ],
};
