import type { Room } from '../../shared/room';

export const CARD: Room = {
  path: 'card',
  name: 'Card',
  bar: 'inHand',
  hasSides: false,
  key: 'd',
  keyWords: 'the card full screen',
  pages: [{ path: '', name: 'Card', load: () => import('./card-in-hand').then((page) => page.CardInHand) }],
};
