import { frameFacts, type LogStay, type PlacedFrame } from '@roam-dial/core/log';
import { DEFAULT_INTENTS } from '@roam-dial/core/stop';
import { rangeOf, sheetGroups, sheetRows, stepped } from './sheet-rows';

const stay = (stopId: string, name = stopId): LogStay => ({
  stopId,
  name,
  intent: DEFAULT_INTENTS.passingCandid,
  position: null,
  fromMs: 0,
  toMs: 1,
  cards: [],
});
const stays = [stay('a'), stay('b', ''), stay('c'), stay('a')];
const placed = (id: string, stopId: string | null): PlacedFrame => ({
  frame: {
    ...frameFacts({}),
    id,
    logId: 'log',
    source: { kind: 'file', name: id, bytes: 1 },
    placedByHand: null,
    verdict: null,
    sight: null,
    subjectAt: null,
  },
  atMs: null,
  stay: stays.find((one) => one.stopId === stopId) ?? null,
  by: null,
});

const all = [...['1', '2', '3', '4', '5'].map((id) => placed(id, 'a')), placed('6', 'c'), placed('7', null)];
const groups = sheetGroups({ stays }, all);
const rows = sheetRows(groups, 3);

describe('the contact sheet', () => {
  it('has every stop once, filled or not, and between them last', () => {
    expect(groups.map(({ stopId, name, frames }) => [stopId, name, frames.length])).toEqual([
      ['a', 'a', 5],
      ['b', 'Unnamed stop', 0],
      ['c', 'c', 1],
      [null, 'Between the stops', 1],
    ]);
    expect(sheetGroups({ stays }, []).map(({ stopId }) => stopId)).toEqual(['a', 'b', 'c']);
  });

  it('has lines of as many as there is room for, and none for a stop without', () => {
    expect(rows.map(({ frames, isFirst }) => [frames.map(({ frame }) => frame.id).join(''), isFirst])).toEqual([
      ['123', true],
      ['45', false],
      ['6', true],
      ['7', true],
    ]);
  });

  it.each([
    [null, 'ArrowRight', '1'],
    [null, 'End', '7'],
    ['gone', 'ArrowDown', '1'],
    ['3', 'ArrowRight', '4'],
    ['4', 'ArrowLeft', '3'],
    ['7', 'ArrowRight', '7'],
    ['1', 'ArrowLeft', '1'],
    // The line below is shorter.
    ['3', 'ArrowDown', '5'],
    // Past the empty one.
    ['5', 'ArrowDown', '6'],
    ['6', 'ArrowUp', '4'],
    ['2', 'ArrowUp', '2'],
    ['4', 'Home', '1'],
    ['4', 'End', '7'],
  ])('from %p leads %s to %s', (from, key, to) => {
    expect(stepped(rows, from, key)).toBe(to);
  });

  it('without frames leads nowhere', () => {
    expect(stepped(sheetRows(sheetGroups({ stays }, []), 3), null, 'ArrowRight')).toBeNull();
  });

  it('chooses from one to another either way, and only the other where the first is gone', () => {
    expect(rangeOf(rows, '2', '4')).toEqual(['2', '3', '4']);
    expect(rangeOf(rows, '6', '4')).toEqual(['4', '5', '6']);
    expect(rangeOf(rows, 'gone', '4')).toEqual(['4']);
  });
});
