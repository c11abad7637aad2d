import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Stop } from '../../stop/index.js';
import { readArchive } from '../index.js';
import type { Archive } from './collections.js';
import { ARCHIVE_VERSION, writeArchive } from './writeArchive.js';

describe('what older programs wrote', () => {
  const stored = (version: number): string => readFileSync(join(__dirname, `../../../reference/archives/v${version}.json`), 'utf8');
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
