import type { Stop, StopDay } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import * as fc from 'fast-check';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import { headline, isWithinStay, cardLightSentence, notItsLightSentence } from '../../shared/card/light-sentences';
import { pictureLightWords } from '../../words/windows';
import { Wording } from '../../words/wording';
import { type Card, cardFor } from './card.store';
import { arrivingAt, withArrival, withLeaving } from '../walk/stop.edits';
import { type Focus, focusOn } from '../selection/focus.store';
import { minuteAfter } from '../selection/handle-follows-stay';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const DEMO = demoWorkspace();
const WALK = DEMO.walks[0] as Walk;

const anyStop = fc.constantFrom(...WALK.stops);
const anyMinute = fc.integer({ min: 0, max: 1439 });
const anyOffset = fc.constantFrom(0, 0, -2, 1 / 3);

function shownOf(stop: Stop, minuteOfDay: number): { readonly card: Card; readonly day: StopDay } {
  const workspace = { ...DEMO, walks: [{ ...WALK, stops: WALK.stops.map((one) => (one.id === stop.id ? stop : one)) }] };
  const day = demoDay(DEMO, stop.id);
  const card = cardFor(workspace, focusOn(workspace, { walkId: null, stopId: stop.id, minuteOfDay }), day);
  if (card.kind === 'none' || day === null) throw new Error('no card');
  return { card, day };
}

describe('one moment', () => {
  it('is what card, ribbon, windows and sentences all speak of, wherever stay and handle stand', () => {
    fc.assert(
      fc.property(anyStop, anyMinute, anyMinute, anyOffset, (stop, arrival, minute, lightOffsetEv) => {
        const placed = { ...arrivingAt(stop, arrival), lightOffsetEv };
        const { card, day } = shownOf(placed, minute);
        // The ribbon's line and the card's light are one figure; the search has the same.
        expect(card.light.keyEv100).toBeCloseTo((day.keyEv100[minute] as number) + lightOffsetEv - day.readingOffsetEv, 4);
        expect(card.input.light).toBe(card.light);
        expect(card.light.isLit).toBe(day.isLit[minute] === 1);
        // The head names that minute, and says so where nobody stands there then.
        expect(headline(card, WORDING)).toContain(`light at ${WORDING.clock(minute)}`);
        const isThere = placed.arriveMin <= minute && minute <= placed.leaveMin;
        expect(isWithinStay(card)).toBe(isThere);
        expect(headline(card, WORDING).includes('outside your stay')).toBe(!isThere);
        // Nothing is promised that the windows deny.
        const isOpen = day.windows.some(({ fromMin, toMin }) => fromMin <= minute && minute <= toMin);
        const denied = notItsLightSentence(card, WORDING);
        expect(denied === null).toBe(isOpen);
        expect(card.pictureLight?.kind === 'open').toBe(isOpen);
        if (denied !== null && card.pictureLight !== null) {
          expect(denied.startsWith(pictureLightWords(card.pictureLight, minute, WORDING))).toBe(true);
        }
        // A light sentence claims no sun that the ribbon has not.
        expect(/in the sun|sunlit ground/i.test(cardLightSentence(card, WORDING)) && !card.light.isLit).toBe(false);
      }),
      { numRuns: 150 },
    );
  });

  it('stays with a stay that is typed, moved or stretched', () => {
    const focus = (stop: Stop, minuteOfDay: number): Focus => ({ walk: WALK, stop, stopIndex: 0, minuteOfDay });
    const edit = fc.constantFrom(arrivingAt, withArrival, withLeaving);
    fc.assert(
      fc.property(anyStop, anyMinute, anyMinute, edit, (stop, minute, to, change) => {
        const after = change(stop, to);
        const minuteNow = minuteAfter(focus(stop, minute), focus(after, minute)) ?? minute;
        const isChanged = after.arriveMin !== stop.arriveMin || after.leaveMin !== stop.leaveMin;
        if (isChanged) expect(after.arriveMin <= minuteNow && minuteNow <= after.leaveMin).toBe(true);
        else expect(minuteNow).toBe(minute);
      }),
    );
    // Ten minutes into the stay it is ten minutes into the moved one.
    const stop = { ...(WALK.stops[0] as Stop), arriveMin: 600, leaveMin: 640 };
    expect(minuteAfter(focus(stop, 610), focus(withArrival(stop, 700), 610))).toBe(710);
    // From the evening's ribbon to an afternoon that is typed.
    expect(minuteAfter(focus(stop, 1183), focus(arrivingAt(stop, 960), 1183))).toBe(960);
  });
});
