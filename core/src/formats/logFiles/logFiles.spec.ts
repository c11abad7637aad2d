import Papa from 'papaparse';
import { DEFAULT_INTENTS } from '../../stop/index.js';
import { frameFacts, type LogFrame, type PlacedFrame, type Verdict, VERDICTS } from '../../log/frames/index.js';
import { exposureTime } from './exposureTime.js';
import { type FrameLine, readFramesCsv, withLines } from './readFramesCsv.js';
import { type FramesTable, writeFramesCsv } from './writeFramesCsv.js';
import { writeFramesGeoJson } from './writeFramesGeoJson.js';
import { sidecarNames, writeXmp } from './writeXmp.js';

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

describe('a shutter time', () => {
  it.each([
    [1 / 250, '1/250'],
    [0.005076, '1/197'],
    [1 / 3, '1/3'],
    // No whole fraction: a third of a second is a tenth longer.
    [0.3, '3000/10000'],
    [0.5, '5000/10000'],
    [30, '300000/10000'],
  ])('of %d s is written as %s', (seconds, text) => {
    const { over, under } = exposureTime(seconds);
    expect(`${over}/${under}`).toBe(text);
    expect(Math.abs(over / under / seconds - 1)).toBeLessThan(0.011);
  });
});

describe('a table of frames', () => {
  it('has a line a frame, by the names of tags', () => {
    expect(read(writeFramesCsv(table([placed()])))).toEqual([
      {
        SourceFile: 'A0001.JPG',
        DateTimeOriginal: '2027:03:13 10:15:30',
        OffsetTimeOriginal: '',
        FNumber: '5.6',
        ExposureTime: '1/250',
        ISO: '800',
        FocalLength: '28',
        ExposureCompensation: '-0.67',
        Make: '',
        Model: 'Made-up One',
        LensModel: '28 mm',
        GPSLatitude: '46.5001234',
        GPSLatitudeRef: 'N',
        GPSLongitude: '-20.7005678',
        GPSLongitudeRef: 'W',
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

  it('writes a zone where the file had one, and a phone’s focal length to the last digit', () => {
    const [row] = read(writeFramesCsv(table([placed({ offsetMin: 0, focalLengthMm: 5.95 })])));
    expect(row).toMatchObject({ OffsetTimeOriginal: '-01:00', FocalLength: '5.95' });
  });

  it('leaves empty what a frame does not say', () => {
    const bare = {
      ...placed({
        ...frameFacts({}),
        maker: '',
        model: '',
        verdict: null,
        source: { kind: 'roll', rollId: 'r', number: 7, scan: null },
      }),
      atMs: null,
      stay: null,
    };
    const [row] = read(writeFramesCsv(table([bare])));
    expect(Object.entries(row ?? {}).filter(([, value]) => value !== '')).toEqual([['SourceFile', 'Frame 7']]);
  });

  it('holds any name whole, and no formula', () => {
    const names = ['a,b "c"\nd', '=1+1', '@cmd', '+1:00', 'é ☂'];
    const rows = read(writeFramesCsv(table(names.map((name) => placed({ model: name })))));
    expect(rows.map(({ Model }) => Model)).toEqual(['a,b "c"\nd', "'=1+1", "'@cmd", '+1:00', 'é ☂']);
  });

  it('is its heads alone without frames', () => {
    expect(read(writeFramesCsv(table([])))).toEqual([]);
  });
});

const LOG = { timeZone: 'Atlantic/Azores', cameras: [] };

describe('a table that is read back', () => {
  const film = placed({ source: { kind: 'roll', rollId: 'r', number: 7, scan: null }, verdict: null });
  const settings = ({ fNumber, shutterS, iso, focalLengthMm, compensationEv, verdict }: Omit<FrameLine, 'source' | 'taken'>) => [
    ...[fNumber, shutterS, iso, focalLengthMm, compensationEv].map((one) => (one === null ? null : Number(one.toPrecision(2)))),
    verdict,
  ];

  it('says what was written, to the last digit that was', () => {
    const all = [placed(), placed({ verdict: 'moved', shutterS: 8 }), film];
    const read = readFramesCsv(writeFramesCsv(table(all)), words);
    if (!read.ok) throw new Error(read.message);
    expect(read.leftOut).toBe(0);
    expect(read.lines.map(settings)).toEqual(all.map((one) => settings(one.frame)));
    // Nothing changes by it.
    expect(
      withLines(
        LOG,
        all.slice(0, 1).map((one) => one.frame),
        read.lines.slice(0, 1),
      ),
    ).toEqual([]);
  });

  it('changes what was decided, and of film what was set; a camera’s own figures stay', () => {
    const text =
      'SourceFile,FNumber,ExposureTime,ISO,Keywords\r\n./a0001.jpg,22,1/8,100,Shake\r\nFrame 7,4,0.5,,good\r\nX.JPG,,,,good\r\n';
    const read = readFramesCsv(text, words);
    if (!read.ok) throw new Error(read.message);
    const [own, roll] = withLines(LOG, [placed().frame, film.frame], read.lines);
    expect(own).toMatchObject({ verdict: 'shake', fNumber: 5.6, iso: 800 });
    expect(roll).toMatchObject({ verdict: 'good', fNumber: 4, shutterS: 0.5, iso: 800 });
  });

  it('belongs to the frames of its times where several are called alike', () => {
    const at = (id: string, minute: number, over: Partial<LogFrame> = {}): LogFrame =>
      frame({ id, wallMs: Date.UTC(2027, 2, 13, 10, minute), verdict: null, ...over });
    const text =
      'SourceFile,DateTimeOriginal,Keywords\r\nA0001.JPG,2027:03:13 10:30:00,good\r\nA0001.JPG,2027:03:13 10:10:00,shake\r\n';
    const read = readFramesCsv(text, words);
    if (!read.ok) throw new Error(read.message);
    const told = (...frames: readonly LogFrame[]) => withLines(LOG, frames, read.lines).map(({ id, verdict }) => [id, verdict]);
    expect(told(at('a', 10), at('b', 30), at('c', 50))).toEqual([
      ['a', 'shake'],
      ['b', 'good'],
    ]);
    // A time that was put right since then: the line that is left is its own; of two that are left none is.
    expect(told(at('a', 10), at('c', 50))).toEqual([
      ['a', 'shake'],
      ['c', 'good'],
    ]);
    expect(told(at('c', 50))).toEqual([]);
  });

  it.each([
    ['', 'no column SourceFile'],
    ['a,b\r\n1,2\r\n', 'no column SourceFile'],
  ])('is refused in words where it is none: %j', (text, message) => {
    const read = readFramesCsv(text, words);
    expect(read.ok ? '' : read.message).toContain(message);
  });

  it('takes nonsense for nothing', () => {
    const text = 'SourceFile,FNumber,ExposureTime,ISO,Keywords\r\n,4,1/8,100,good\r\nA0001.JPG,-3,1/0,1e99,whatever\r\n"un\r\n';
    const read = readFramesCsv(text, words);
    if (!read.ok) throw new Error(read.message);
    expect(read.lines[0]).toMatchObject({ source: 'A0001.JPG', fNumber: null, shutterS: null, iso: null, verdict: null });
  });
});

describe('sidecars', () => {
  const facts = { log: { timeZone: 'Atlantic/Azores' }, hasPlaces: true, words };

  it('have the instant by the wall, rational figures, a rating and the verdict as a word', () => {
    const text = writeXmp(placed({ model: 'One & "two" <3>' }), facts);
    for (const part of [
      'exif:DateTimeOriginal="2027-03-13T10:15:30"',
      'exif:FNumber="5600/1000"',
      'exif:ExposureTime="1/250"',
      '<rdf:li>800</rdf:li>',
      'exif:GPSLatitude="46,30.007404N"',
      'exif:GPSLongitude="20,42.034068W"',
      'tiff:Model="One &amp; &quot;two&quot; &lt;3&gt;"',
      'xmp:Rating="5"',
      '<rdf:Bag><rdf:li>good</rdf:li></rdf:Bag>',
    ]) {
      expect(text).toContain(part);
    }
    expect(sidecarNames(['A0001.JPG', 'Frame 7'])).toEqual(['A0001.xmp', 'Frame 7.xmp']);
    // Two cameras that count alike.
    expect(sidecarNames(['A1.JPG', 'a1.jpg', 'A1.TIF'])).toEqual(['A1.xmp', 'a1 (2).xmp', 'A1 (3).xmp']);
  });

  it('say nothing of places without being asked to, in any of their bytes', () => {
    const text = writeXmp(placed(), { ...facts, hasPlaces: false });
    for (const secret of ['46,30', '20,42', 'GPSLatitude', 'GPSImgDirection', 'Orrel']) expect(text).not.toContain(secret);
  });

  it('say nothing that a frame does not', () => {
    const bare = { ...placed({ ...frameFacts({}), verdict: null }), atMs: null, stay: null };
    expect(writeXmp(bare, facts)).not.toMatch(/exif:[A-Z]\w+="|Rating|dc:subject>/);
  });
});

describe('a map of frames', () => {
  it('has a point a frame, its own or that of its stop, and leaves out what lies nowhere', () => {
    const stop = { latitude: 1, longitude: 2 };
    const [own, elsewhere] = [placed(), placed({ position: null })];
    const here = { ...elsewhere, stay: { ...(elsewhere.stay as NonNullable<typeof elsewhere.stay>), position: stop } };
    const log = { name: 'Walk', day: '2027-03-13', timeZone: 'Atlantic/Azores' };
    const { features } = JSON.parse(writeFramesGeoJson(log, [own, here, elsewhere], words)) as {
      features: { geometry: unknown; properties: Record<string, unknown> }[];
    };
    expect(features.map(({ geometry }) => geometry)).toEqual([
      { type: 'Point', coordinates: [-20.7005678, 46.5001234] },
      { type: 'Point', coordinates: [2, 1] },
    ]);
    expect(features[0]?.properties).toMatchObject({
      name: 'A0001.JPG',
      taken: '2027-03-13T10:15:30-01:00',
      stop: 'Orrel Steps',
      isStopsPosition: false,
      verdict: 'good',
    });
    expect(features[1]?.properties['isStopsPosition']).toBe(true);
  });
});
