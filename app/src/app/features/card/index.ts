export { CardRoom } from './card-room';
export { DialCard } from './dial-card';
export { ladderLines } from './sentences';
