/** Where a file keeps what its camera says: blocks in the form of TIFF 6, whatever the file around them is. */

/** "II*\0" or "MM\0*". */
function isTiff(bytes: Uint8Array, at: number): boolean {
  const [a, b, c, d] = bytes.subarray(at, at + 4);
  return (a === 0x49 && b === 0x49 && c === 0x2a && d === 0) || (a === 0x4d && b === 0x4d && c === 0 && d === 0x2a);
}

/** Raw files that are TIFF but for their third and fourth bytes. */
const LIKE_TIFF = ['IIU\0', 'IIRO', 'IIRS', 'MMOR'] as const;
const codesOf = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

/** Such a file as plain TIFF; null for what is none. */
function asTiff(bytes: Uint8Array): Uint8Array | null {
  const [a, b, c, d] = bytes;
  if (!LIKE_TIFF.some((head) => head === String.fromCharCode(a ?? 0, b ?? 0, c ?? 0, d ?? 0))) return null;
  const plain = bytes.slice();
  plain.set(a === 0x49 ? [0x2a, 0] : [0, 0x2a], 2);
  return plain;
}

/** The bytes that a word in front of a block takes, and how far behind it the block may begin. */
const MARKS: readonly { readonly mark: string; readonly most: number }[] = [
  // JPEG and HEIF, of any brand.
  { mark: 'Exif\0\0', most: 0 },
  // A chunk of PNG, whose word is followed by the block.
  { mark: 'eXIf', most: 0 },
  // A chunk of WebP: its length, then the block, in some files behind the word of JPEG.
  { mark: 'EXIF', most: 10 },
  // Raw files in blocks of their own, behind their length; in boxes: the camera, the exposure, the place, each with a block of its own.
  { mark: '\0TTW', most: 4 },
  { mark: 'CMT1', most: 0 },
  { mark: 'CMT2', most: 0 },
  { mark: 'CMT4', most: 0 },
];
/** Files with more blocks than a camera writes are made to be slow. */
const MOST_BLOCKS = 12;

function indexOf(bytes: Uint8Array, mark: string, from: number): number {
  const codes = codesOf(mark);
  for (let at = bytes.indexOf(codes[0] as number, from); at !== -1; at = bytes.indexOf(codes[0] as number, at + 1)) {
    if (codes.every((code, k) => bytes[at + k] === code)) return at;
  }
  return -1;
}

/**
 * The blocks in a file's bytes, each from its beginning to the end of the bytes: the words that stand in front of them are looked
 * for, so that no format has to be taken apart. Sources: EXIF 2.32, 4.5.2; PNG 3, 11.3.4.6; the RIFF container of WebP.
 */
export function tiffBlocks(bytes: Uint8Array): readonly Uint8Array[] {
  const plain = isTiff(bytes, 0) ? bytes : asTiff(bytes);
  // Behind the file itself: its preview may say what it does not.
  const blocks: Uint8Array[] = plain === null ? [] : [plain];
  for (const { mark, most } of MARKS) {
    for (let at = indexOf(bytes, mark, 0); at !== -1 && blocks.length < MOST_BLOCKS; at = indexOf(bytes, mark, at + 1)) {
      const from = at + mark.length;
      for (let k = 0; k <= most; k++) {
        if (!isTiff(bytes, from + k)) continue;
        blocks.push(bytes.subarray(from + k));
        break;
      }
    }
  }
  return blocks;
}
