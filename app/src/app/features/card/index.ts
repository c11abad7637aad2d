export { CardInHand } from './card-in-hand';
export { type CardRow, cardRows } from './card-rows';
export { DialCard } from './dial-card';
export { ladderLines, nextStep } from './ladder-lines';
export { chanceSentence, inFocusWords, meterNumber } from './sentences';
export { SpotLight } from './spot-light';
