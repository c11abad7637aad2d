import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { plainDay } from '../../testing/demo';
import { eventually } from '../../testing/tabs';
import { ARITHMETIC, KeptDays, MOST_KEPT } from './kept-days';

/** The program as it is opened another time, perhaps a later one. */
function opened(arithmetic: string | null, most = 160): KeptDays {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      { provide: ARITHMETIC, useValue: arithmetic },
      { provide: MOST_KEPT, useValue: most },
    ],
  });
  return TestBed.inject(KeptDays);
}
const namesOf = async (kept: KeptDays, keys: readonly string[]): Promise<string[]> => [
  ...(await firstValueFrom(kept.read(keys))).keys(),
];

describe('days that are kept', () => {
  const day = plainDay();

  it('come back minute for minute by the question that they answer, and by no other', async () => {
    const kept = opened('one');
    kept.keep([{ key: 'at noon', day }]);
    await eventually(
      () => namesOf(kept, ['at noon']),
      (names) => names.length === 1,
    );
    const found = await firstValueFrom(opened('one').read(['at noon', 'at dusk']));
    expect([...found.keys()]).toEqual(['at noon']);
    expect(found.get('at noon')).toEqual(day);
  });

  it('are other days under another arithmetic, and none where nobody knows which', async () => {
    expect(await namesOf(opened('two'), ['at noon'])).toEqual([]);
    const nameless = opened(null);
    nameless.keep([{ key: 'at noon', day }]);
    expect(await namesOf(nameless, ['at noon'])).toEqual([]);
  });

  it('make room for new ones: those that nobody has asked for longest go first', async () => {
    const kept = opened('three', 3);
    const keep = async (key: string): Promise<void> => {
      jest.spyOn(Date, 'now').mockReturnValue(++clock);
      kept.keep([{ key, day }]);
      await eventually(
        () => namesOf(kept, [key]),
        (names) => names.length === 1,
      );
    };
    let clock = Date.now() + 1e6;
    for (const key of ['a', 'b', 'c', 'a', 'd']) await keep(key);
    await eventually(
      () => namesOf(kept, ['a', 'b', 'c', 'd']),
      (names) => names.length === 3,
    );
    expect(await namesOf(kept, ['a', 'b', 'c', 'd'])).toEqual(['a', 'c', 'd']);
  });
});
