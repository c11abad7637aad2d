export { CardInHand } from './card-in-hand';
export { DialCard } from './dial-card';
export { ladderLines } from './sentences';
