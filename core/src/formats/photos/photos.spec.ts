import { largestJpeg } from './embeddedJpeg.js';
import { tiffBlocks } from './tiffBlocks.js';

const bytesOf = (...parts: readonly (string | readonly number[])[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((part) => (typeof part === 'string' ? [...part].map((letter) => letter.charCodeAt(0)) : part)));

const LITTLE = 'II*\0';
const BIG = 'MM\0*';

describe('what a camera says in a file', () => {
  it.each([
    { of: 'plain TIFF', file: bytesOf(LITTLE, [8, 0, 0, 0]), blocks: 1 },
    { of: 'TIFF and its preview', file: bytesOf(LITTLE, [8, 0, 0, 0], 'Exif\0\0', BIG, [0, 0]), blocks: 2 },
    { of: 'JPEG and HEIF', file: bytesOf([0xff, 0xd8, 0xff, 0xe1, 0, 40], 'Exif\0\0', BIG, [0, 0, 0, 8]), blocks: 1 },
    { of: 'PNG', file: bytesOf('\x89PNG', [0, 0, 0, 9], 'eXIf', LITTLE, [8, 0, 0, 0]), blocks: 1 },
    { of: 'WebP', file: bytesOf('RIFF', [9, 9, 0, 0], 'WEBPEXIF', [8, 0, 0, 0], BIG, [0, 0, 0, 8]), blocks: 1 },
    { of: 'WebP with the word of JPEG', file: bytesOf('WEBPEXIF', [8, 0, 0, 0], 'Exif\0\0', LITTLE, [8]), blocks: 2 },
    { of: 'boxes', file: bytesOf('ftypcrx ', 'CMT1', LITTLE, [8, 0], 'CMT2', LITTLE, [8, 0], 'CMT4', LITTLE, [8]), blocks: 3 },
    { of: 'nothing', file: bytesOf('Exif is a word, eXIf too'), blocks: 0 },
  ])('is found in $of', ({ file, blocks }) => {
    const found = tiffBlocks(file);
    expect(found).toHaveLength(blocks);
    for (const block of found) expect(['II', 'MM']).toContain(String.fromCharCode(...block.subarray(0, 2)));
  });

  it.each(['IIU\0', 'IIRO', 'IIRS', 'MMOR'])('of a raw file that begins with %s is plain TIFF, the file untouched', (head) => {
    const file = bytesOf(head, [8, 0, 0, 0]);
    const [block] = tiffBlocks(file);
    expect([...(block ?? [])].slice(2, 4)).toEqual(head.startsWith('II') ? [0x2a, 0] : [0, 0x2a]);
    expect(String.fromCharCode(...file.subarray(0, 4))).toBe(head);
  });

  it('is looked for in so many places at most', () => {
    expect(tiffBlocks(bytesOf(...Array.from({ length: 500 }, () => `Exif\0\0${LITTLE}`)))).toHaveLength(12);
  });
});

/** A picture of marks alone: a frame with its sides, a scan of a few bytes. */
const jpeg = (frame: number, width: number, height: number, scan: readonly number[] = [1, 2, 0xff, 0, 3]): readonly number[] => [
  ...[0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0],
  ...[0xff, frame, 0, 9, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 0],
  ...[0xff, 0xda, 0, 3, 1, ...scan],
  ...[0xff, 0xd9],
];

describe('the preview in a raw file', () => {
  it('is the largest picture that a browser opens, from its first mark to its last', () => {
    const small = jpeg(0xc0, 160, 120);
    const large = jpeg(0xc2, 1600, 1200, [7, 0xff, 0xd3, 0xff, 0, 0xff, 0xda, 0, 2, 9]);
    const raw = jpeg(0xc3, 6000, 4000);
    const file = bytesOf('some head', small, 'between', large, raw, 'tail');
    expect(largestJpeg(file)).toEqual({
      from: 9 + small.length + 7,
      to: 9 + small.length + 7 + large.length,
      width: 1600,
      height: 1200,
    });
  });

  it.each([
    { of: 'text', file: bytesOf('no picture') },
    { of: 'a picture that is cut off', file: bytesOf(jpeg(0xc0, 160, 120).slice(0, -2)) },
    { of: 'raw data alone', file: bytesOf(jpeg(0xc3, 160, 120)) },
    { of: 'marks that lead nowhere', file: bytesOf([0xff, 0xd8, 0xff, 0xe0, 0, 0, 0xff, 0xd8, 0xff]) },
    { of: 'nothing', file: new Uint8Array() },
  ])('of $of is none', ({ file }) => expect(largestJpeg(file)).toBeNull());
});
