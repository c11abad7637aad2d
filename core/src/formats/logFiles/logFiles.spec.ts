import Papa from 'papaparse';
import { DEFAULT_INTENTS } from '../../stop/index.js';
import { frameFacts, type LogFrame, type PlacedFrame, type Verdict, VERDICTS } from '../../log/frames/index.js';
import { type FramesTable, writeFramesCsv } from './writeFramesCsv.js';

const words = Object.fromEntries(VERDICTS.map((verdict) => [verdict, verdict])) as Record<Verdict, string>;
/** 10:15:30 at the Azores in winter, an hour behind UTC. */
const AT = Date.UTC(2027, 2, 13, 11, 15, 30);

const frame = (over: Partial<LogFrame>): LogFrame => ({
  ...frameFacts({
    Model: 'Made-up One',
    LensModel: '28 mm',
    FNumber: 5.6,
    ExposureTime: 1 / 250,
    ISO: 800,
    FocalLength: 28,
    ExposureCompensation: -2 / 3,
    latitude: 46.5001234,
    longitude: -20.7005678,
    GPSImgDirection: 48,
  }),
  id: 'f',
  logId: 'log',
  source: { kind: 'file', name: 'A0001.JPG', bytes: 1 },
  placedByHand: null,
  verdict: 'good',
  sight: null,
  subjectAt: null,
  ...over,
});
const placed = (over: Partial<LogFrame> = {}): PlacedFrame => ({
  frame: frame(over),
  atMs: AT,
  stay: { stopId: 's', name: 'Orrel Steps', intent: DEFAULT_INTENTS.passingCandid, position: null, fromMs: 0, toMs: 1, cards: [] },
  by: 'time',
});
const table = (all: readonly PlacedFrame[], hasPlaces = true): FramesTable => ({
  log: { timeZone: 'Atlantic/Azores' },
  placed: all,
  hasPlaces,
  words,
});
const read = (text: string): Record<string, string>[] => Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;

describe('a table of frames', () => {
  it('has a line a frame, by the names of tags', () => {
    expect(read(writeFramesCsv(table([placed()])))).toEqual([
      {
        SourceFile: 'A0001.JPG',
        DateTimeOriginal: '2027:03:13 10:15:30',
        OffsetTimeOriginal: '-01:00',
        FNumber: '5.6',
        ExposureTime: '1/250',
        ISO: '800',
        FocalLength: '28',
        ExposureCompensation: '-0.67',
        Model: 'Made-up One',
        LensModel: '28 mm',
        GPSLatitude: '46.5001234',
        GPSLongitude: '-20.7005678',
        GPSImgDirection: '48',
        Location: 'Orrel Steps',
        Keywords: 'good',
      },
    ]);
  });

  it('without places has none in any of its bytes', () => {
    const text = writeFramesCsv(table([placed()], false));
    for (const secret of ['46.5', '20.7', '48', 'Orrel']) expect(text).not.toContain(secret);
    expect(read(text)[0]).toMatchObject({ SourceFile: 'A0001.JPG', GPSLatitude: '', Location: '' });
  });

  it('leaves empty what a frame does not say', () => {
    const bare = {
      ...placed({ ...frameFacts({}), verdict: null, source: { kind: 'roll', rollId: 'r', number: 7, scan: null } }),
      atMs: null,
      stay: null,
    };
    const [row] = read(writeFramesCsv(table([bare])));
    expect(Object.entries(row ?? {}).filter(([, value]) => value !== '')).toEqual([['SourceFile', 'Frame 7']]);
  });

  it('holds any name whole, and no formula', () => {
    const names = ['a,b "c"\nd', '=1+1', '@cmd', '+1:00', 'é ☂'];
    const rows = read(writeFramesCsv(table(names.map((name) => placed({ bodyName: name })))));
    expect(rows.map(({ Model }) => Model)).toEqual(['a,b "c"\nd', "'=1+1", "'@cmd", '+1:00', 'é ☂']);
  });

  it('is its heads alone without frames', () => {
    expect(read(writeFramesCsv(table([])))).toEqual([]);
  });
});
