import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Stop } from '../../stop/index.js';
import { readArchive } from './index.js';
import type { Archive } from '../archive/collections.js';
import { ARCHIVE_VERSION, writeArchive } from '../archive/writeArchive.js';

const stored = (version: number): string => readFileSync(join(__dirname, `../../../reference/archives/v${version}.json`), 'utf8');

describe('what older programs wrote', () => {
  const opened = (version: number): Archive => {
    const read = readArchive(stored(version));
    if (!read.ok) throw new Error([read.message, ...read.problems].join('; '));
    return read.archive;
  };

  it('opens, every version that there was, and is then of this one', () => {
    for (let version = 1; version <= ARCHIVE_VERSION; version++) {
      const archive = opened(version);
      expect([version, archive.walks[0]?.stops.length, archive.districts[0]?.buildings.length]).toEqual([version, 8, 150]);
      expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
    }
  });
  it('from version 1: of people where they pass stays and the ends follow, of a place the ends stay', () => {
    const was = (JSON.parse(stored(1)) as Archive).walks[0]?.stops ?? [];
    const now = opened(1).walks[0]?.stops ?? [];
    const subjects = (stops: readonly Stop[], id: string) => stops.find((stop) => stop.id === id)?.subject;
    expect(subjects(was, 'vessen')).toEqual({ nearM: 2, farM: 5, medianM: 3, spread: 0.25 });
    expect(subjects(now, 'vessen')).toEqual({
      nearM: expect.closeTo(1.988, 3),
      farM: expect.closeTo(4.526, 3),
      medianM: 3,
      spread: 0.25,
    });
    // 2·3·40/43.
    expect(subjects(now, 'quenmill')).toMatchObject({ nearM: 3, farM: 40, medianM: expect.closeTo(5.581, 3) });
  });
  it('from version 2: what a straight picture and a film hold is the item’s own, a film’s by its kind', () => {
    const [was, now] = [JSON.parse(stored(2)) as Archive, opened(2)];
    const holdsOf = ({ kit }: Archive) =>
      kit.flatMap((item) => (item.kind === 'film' ? [item.holdsOverEv, item.holdsUnderEv] : []));
    expect(holdsOf(was)).toEqual([undefined, undefined]);
    expect(holdsOf(now)).toEqual([5, 3.5]);
    const bodies = now.kit.flatMap((item) => (item.kind === 'body' ? [[item.straightOverEv, item.straightUnderEv]] : []));
    expect(bodies).toEqual([
      [2.3, 5],
      [2.3, 5],
    ]);
  });
  it('of version 6: a walk over midnight, its lamps and its last ride', () => {
    const [day, night] = opened(6).walks;
    expect(day).not.toHaveProperty('lastRide');
    expect(night).toMatchObject({
      dayOut: { fromMin: 1290, toMin: 1510 },
      lampsOut: { fromMin: 30, leftShare: 0.25 },
      lastRide: { atMin: 1496 },
    });
    expect(night?.stops.map(({ arriveMin, leaveMin }) => [arriveMin, leaveMin]).at(-1)).toEqual([1471, 1490]);
  });
  it('from version 4: a roll has its body still to be said, and its frames no scans', () => {
    const { logs, frames } = opened(4);
    expect(logs[0]?.rolls).toMatchObject([{ bodyId: null, frames: 36 }]);
    expect(frames.flatMap(({ source }) => (source.kind === 'roll' ? [source.scan] : []))).toEqual([null]);
  });
  it('from version 1: a threshold that means something else now, and a crown over its own top, are gone', () => {
    const file = JSON.parse(stored(1)) as { walks: Record<string, unknown>[]; districts: Record<string, unknown>[] };
    (file.walks[0] as Record<string, unknown>)['windows'] = { reflectionContrastEv: [1, 2], poolSquareM: [2, 3] };
    const tree = { eastM: 0, northM: 0, radiusM: 2, heightM: 4 };
    (file.districts[0] as Record<string, unknown>)['trees'] = [tree, { ...tree, baseM: 5 }];
    const read = readArchive(JSON.stringify(file));
    expect(read.ok && [read.archive.walks[0]?.windows, read.archive.districts[0]?.trees]).toEqual([
      { poolSquareM: [2, 3] },
      [tree],
    ]);
  });
});

describe('small pictures that go along with an archive', () => {
  const file = (pictures: unknown): string => JSON.stringify({ ...(JSON.parse(stored(5)) as object), pictures });
  const picture = { id: 'f', logId: 'log', picture: { type: 'image/jpeg', bytes: 'AAEC' }, reading: null };
  const sides = { width: 3, height: 2, across: 24, down: 16 };
  const reading = { ...sides, noise: 1, noiseSeen: 1, blackShare: 0, midToneEv: -1, windows: 'AAAA' };
  const picturesOf = (pictures: unknown): unknown => {
    const read = readArchive(file(pictures));
    return read.ok ? read.pictures : read.message;
  };

  it('come back as they are, with what was measured in them', () => {
    const all = [picture, { ...picture, id: 'g', picture: null, reading: { ...reading, full: { ...sides, parts: '' } } }];
    expect(picturesOf(all)).toEqual(all);
  });

  it('are left out where they are broken, and nothing else suffers', () => {
    const broken = [{ ...picture, picture: { type: 'text/html', bytes: 'AAEC' } }, { ...picture, id: 7 }, null];
    expect(picturesOf([...broken, picture, { ...picture, reading: { ...reading, across: 1e9 } }])).toEqual([picture]);
    for (const none of [[], {}, 'x', null]) expect(picturesOf(none)).toBeUndefined();
  });
});
