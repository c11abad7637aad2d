export { CardInHand } from './card-in-hand';
export { type CardRow, cardRows } from './card-rows';
export { DialCard } from './dial-card';
export { chanceSentence, ladderLines, meterNumber, nextStep } from './sentences';
export { SpotLight } from './spot-light';
