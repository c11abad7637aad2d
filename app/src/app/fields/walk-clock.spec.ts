import { Wording } from '../words/wording';
import { clockCodec, endOfWalkCodec, hoursCodec, walkClockCodec } from './codec';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const clock = clockCodec('24h', (minute) => WORDING.clock(minute));
const american = clockCodec('12h', (minute) => new Wording({ lengthUnit: 'metres', clock: '12h' }).clock(minute));

describe('a time of a walk, typed', () => {
  it.each([
    // What is typed, after which minute, and the minute of the walk; the stop before at 23:10 is minute 1390.
    ['23:50', 1390, 1430],
    ['0:40', 1390, 1480],
    ['00:40', 1390, 1480],
    ['24:40', 1390, 1480],
    ['24:40', null, 1480],
    ['+1 0:40', null, 1480],
    ['+0 0:40', 1390, 40],
    ['0:40', null, 40],
    ['1130', 1390, 2130],
    // In the morning of a walk by day an earlier time is what it says.
    ['7:00', 500, 420],
    ['13:00', 1390, 780],
  ])('“%s” after %p is minute %i', (text, afterMin, minute) => {
    const codec = walkClockCodec(clock, afterMin);
    expect(codec.parse(text)).toEqual({ ok: true, value: minute });
    const again = codec.parse(codec.format(minute));
    expect(again).toEqual({ ok: true, value: minute });
  });

  it('reads what it writes, every minute of a walk, in either clock', () => {
    for (const codec of [walkClockCodec(clock), walkClockCodec(clock, 1390), walkClockCodec(american, 1390)]) {
      for (let minute = 0; minute < 2160; minute++) {
        expect([minute, codec.parse(codec.format(minute))]).toEqual([minute, { ok: true, value: minute }]);
      }
    }
  });

  it('says its day only where that is not plain', () => {
    expect(walkClockCodec(clock, 1390).format(1480)).toBe('00:40');
    expect(walkClockCodec(clock).format(1480)).toBe('+1 00:40');
    expect(walkClockCodec(clock, 1390).format(40)).toBe('+0 00:40');
  });

  it.each(['36:00', '+1 13:00', '+2 0:40', 'midnight', ''])('refuses “%s” in words', (text) => {
    const parsed = walkClockCodec(clock, 1390).parse(text);
    expect(parsed.ok).toBe(false);
    expect(parsed.ok ? '' : parsed.message).not.toBe('');
  });

  it('steps over midnight, and no farther than noon', () => {
    const { step } = walkClockCodec(clock, 1390);
    expect([step?.(1438, 1), step?.(1442, -1), step?.(2157, 1), step?.(2, -1)]).toEqual([1443, 1437, 2159, 0]);
  });
});

describe('the end of a walk, typed', () => {
  it.each([
    // Out at 5:00: half past one can only be tomorrow's; half past ten is this morning's.
    [300, '1:30', 1530],
    [300, '0:52', 1492],
    [300, '10:30', 630],
    [300, '23:00', 1380],
    [1290, '1:20', 1520],
  ])('of one that begins at %i, “%s” is minute %i', (fromMin, text, minute) => {
    const codec = endOfWalkCodec(clock, fromMin);
    expect(codec.parse(text)).toEqual({ ok: true, value: minute });
    expect(codec.parse(codec.format(minute))).toEqual({ ok: true, value: minute });
    expect(codec.format(minute)).not.toContain('+');
  });
});

describe('hours of a walk in one line', () => {
  const codec = hoursCodec(clock);
  it('may end on the next day', () => {
    const parsed = codec.parse('9:00–12:00; 22:00–2:00');
    expect(parsed).toEqual({
      ok: true,
      value: [
        { fromMin: 540, toMin: 720 },
        { fromMin: 1320, toMin: 1560 },
      ],
    });
    expect(parsed.ok ? codec.format(parsed.value) : '').toBe('09:00–12:00; 22:00–02:00');
  });
  it('of an older file that end before they begin are shown as what they mean', () => {
    expect(codec.format([{ fromMin: 1320, toMin: 120 }])).toBe('22:00–02:00');
  });
  it('do not end before they begin by day', () => {
    expect(codec.parse('14:00–12:30').ok).toBe(false);
  });
});
