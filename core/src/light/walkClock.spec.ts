import { dayClock } from './dayClock.js';
import { dayOfMinute, type WalkClock, walkClock } from './walkClock.js';

function clockOf(day: string, timeZone: string): WalkClock {
  const clock = walkClock(day, timeZone);
  if (clock === null) throw new Error(`${timeZone} has no ${day}`);
  return clock;
}

describe('the minutes of a walk', () => {
  it('are those that run, on two ordinary days', () => {
    const clock = clockOf('2027-03-13', 'Atlantic/Azores');
    expect([clock.minutes, clock.nextDay]).toEqual([2160, '2027-03-14']);
    for (const minute of [0, 61, 1439, 1440, 2159])
      expect([clock.wallAt(minute), clock.elapsedAt(minute)]).toEqual([minute, minute]);
  });

  it.each([
    // Zone, day, and: wall minute, elapsed minute at which it is first shown, what the wall shows then. By hand.
    ['Europe/Rome', '2027-03-27', 2100, 1500, 1500, 1500],
    ['Europe/Rome', '2027-03-27', 2100, 1560, 1560, 1620], // 2:00 is skipped: it is 3:00
    ['Europe/Rome', '2027-03-27', 2100, 1600, 1560, 1620],
    ['Europe/Rome', '2027-03-27', 2100, 1680, 1620, 1680],
    ['Europe/Rome', '2027-03-28', 2100, 150, 120, 180], // the same from the day itself
    ['Europe/Rome', '2027-03-28', 2100, 1500, 1440, 1500],
    ['Europe/Rome', '2027-10-30', 2220, 1560, 1560, 1560], // 2:00, the first of two
    ['Europe/Rome', '2027-10-30', 2220, 1620, 1680, 1620],
    ['Atlantic/Azores', '2027-03-27', 2100, 1440, 1440, 1500], // the day begins at 1:00
    ['Atlantic/Azores', '2027-10-30', 2220, 1500, 1560, 1500], // its first hour comes twice
    ['Australia/Lord_Howe', '2027-04-03', 2190, 1560, 1590, 1560], // half an hour comes twice
    ['America/Sao_Paulo', '2017-10-14', 2100, 1440, 1440, 1500],
  ])('%s %s: %i minutes, %i runs as %i and shows %i', (zone, day, minutes, wallMin, elapsedMin, shownMin) => {
    const clock = clockOf(day, zone);
    expect(clock.minutes).toBe(minutes);
    expect(clock.elapsedAt(wallMin)).toBe(elapsedMin);
    expect(clock.wallAt(elapsedMin)).toBe(shownMin);
  });

  it('show what comes twice twice: 2:59 in Rome is followed by 2:00, 1:59 on Lord Howe by 1:30', () => {
    expect([1619, 1620].map(clockOf('2027-10-30', 'Europe/Rome').wallAt)).toEqual([1619, 1560]);
    expect([1559, 1560].map(clockOf('2027-04-03', 'Australia/Lord_Howe').wallAt)).toEqual([1559, 1530]);
  });

  it('never run backwards, whatever the zone does', () => {
    for (const [zone, day] of [
      ['Europe/Rome', '2027-03-27'],
      ['Europe/Rome', '2027-10-31'],
      ['Atlantic/Azores', '2027-03-28'],
      ['Pacific/Apia', '2011-12-29'],
    ] as const) {
      const clock = clockOf(day, zone);
      for (let minute = 1; minute < 2160; minute++) {
        expect(clock.elapsedAt(minute)).toBeGreaterThanOrEqual(clock.elapsedAt(minute - 1));
        expect(Math.round(clock.minuteAt(clock.msAt(minute)))).toBeGreaterThanOrEqual(minute);
      }
    }
  });

  it('go on the day after the one that the zone skips', () => {
    const clock = clockOf('2011-12-29', 'Pacific/Apia');
    expect([clock.nextDay, clock.minutes]).toEqual(['2011-12-31', 2160]);
    expect(new Date(clock.msAt(1480)).toISOString()).toBe('2011-12-30T10:40:00.000Z');
    expect(clock.minuteAt(Date.parse('2011-12-30T10:40:30Z'))).toBe(1480.5);
    expect(dayOfMinute('2011-12-29', 'Pacific/Apia', 1480)).toBe('2011-12-31');
    expect(walkClock('2011-12-30', 'Pacific/Apia')).toBeNull();
  });

  it('are told at instants before and after them as they would run on', () => {
    const clock = clockOf('2027-03-27', 'Europe/Rome');
    expect(clock.minuteAt(Date.parse('2027-03-26T22:30:00Z'))).toBe(-30);
    expect(clock.minuteAt(Date.parse('2027-03-28T10:30:00Z'))).toBe(2190);
    expect(clock.minuteAt(Date.parse('2027-03-29T10:00:00Z'))).toBe(3600);
  });
});

describe('a minute that the clock skips', () => {
  it('is the instant at which it goes on, not the hour before', () => {
    const rome = dayClock('2027-03-28', 'Europe/Rome');
    expect([119, 120, 150, 179, 180].map((minute) => new Date(rome?.msAt(minute) ?? 0).toISOString().slice(11, 16))).toEqual([
      '00:59',
      '01:00',
      '01:00',
      '01:00',
      '01:00',
    ]);
  });
});
