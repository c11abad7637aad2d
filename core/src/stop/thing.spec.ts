import { sampleStop } from '../../reference/sampleStops.js';
import { DEFAULT_INTENTS, isOfThing, ofPeople, ofThing, peopleWishOf, type Stop } from './index.js';

const { subject, movers } = sampleStop(DEFAULT_INTENTS.passingCandid, 11);
const STOP = { intent: DEFAULT_INTENTS.passingCandid, subject, movers } as Stop;

describe('a thing instead of people', () => {
  it('stands at one distance and does not move; the plan looks for nobody', () => {
    const thing = ofThing(STOP);
    expect([isOfThing(STOP), isOfThing(thing)]).toEqual([false, true]);
    expect(thing.subject.medianM).toBe(subject.medianM);
    // e^(1.645·0.02) is 1.033: 3.3 % nearer and farther.
    expect(thing.subject.farM / thing.subject.medianM).toBeCloseTo(1.0334, 4);
    expect(thing.subject.medianM / thing.subject.nearM).toBeCloseTo(1.0334, 4);
    expect(peopleWishOf(thing.intent, thing.wishes)).toBe('nobody');
  });
  it('gives way to people again, at the same distance', () => {
    const again = ofPeople(ofThing(STOP), movers, 0.2);
    expect(again.movers).toEqual(movers);
    expect(again.subject).toMatchObject({ medianM: subject.medianM, spread: 0.2 });
    expect(peopleWishOf(again.intent, again.wishes)).toBe('people');
  });
});
