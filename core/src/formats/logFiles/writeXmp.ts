import { DateTime } from 'luxon';
import type { LogFrame, PlacedFrame, Verdict, WalkLog } from '../../log/frames/index.js';
import { exposureTime } from './exposureTime.js';
import { xmlText } from '../walkFiles/xml.js';

export interface SidecarFacts {
  readonly log: Pick<WalkLog, 'timeZone'>;
  /** Whether it says where frames were taken, and the name of the stop. */
  readonly hasPlaces: boolean;
  readonly words: Readonly<Record<Verdict, string>>;
}

/** Of five, as other programs show it: what is good, and what is not; what nobody decided of has none. */
const RATINGS = { good: 5, other: 1 };
const PER_UNIT = 1000;

const rational = (value: number): string => `${Math.round(value * PER_UNIT)}/${PER_UNIT}`;
const time = (seconds: number): string => {
  const { over, under } = exposureTime(seconds);
  return `${over}/${under}`;
};

/** Degrees and minutes with a letter. Source: XMP specification part 2, GPSCoordinate. */
function coordinate(value: number, [plus, minus]: readonly [string, string]): string {
  const size = Math.abs(value);
  return `${Math.floor(size)},${((size % 1) * 60).toFixed(6)}${value < 0 ? minus : plus}`;
}

function ratingOf({ verdict }: LogFrame): number | null {
  return verdict === null ? null : verdict === 'good' ? RATINGS.good : RATINGS.other;
}

/**
 * What a frame was taken with and what became of it, as an XMP sidecar that lies beside its file: exif, tiff, aux, xmp and dc by their
 * standard names. Source: XMP specification parts 1 and 2 (ISO 16684-1), EXIF 2.32 for XMP.
 */
export function writeXmp({ frame, atMs, stay }: PlacedFrame, { log, hasPlaces, words }: SidecarFacts): string {
  const position = hasPlaces ? frame.position : null;
  const bearingDeg = hasPlaces ? frame.bearingDeg : null;
  const placeName = hasPlaces ? (stay?.name ?? '') : '';
  const rating = ratingOf(frame);
  const attributes: readonly (readonly [name: string, value: string | null])[] = [
    [
      'exif:DateTimeOriginal',
      atMs === null
        ? null
        : DateTime.fromMillis(atMs, { zone: log.timeZone }).toISO({
            suppressMilliseconds: true,
            // Of a file that does not say its zone, none is made up.
            includeOffset: frame.offsetMin !== null,
          }),
    ],
    ['exif:FNumber', frame.fNumber === null ? null : rational(frame.fNumber)],
    ['exif:ExposureTime', frame.shutterS === null ? null : time(frame.shutterS)],
    ['exif:FocalLength', frame.focalLengthMm === null ? null : rational(frame.focalLengthMm)],
    ['exif:ExposureBiasValue', frame.compensationEv === null ? null : rational(frame.compensationEv)],
    ['exif:SubjectDistance', frame.focusM === null ? null : rational(frame.focusM)],
    ['exif:GPSLatitude', position === null ? null : coordinate(position.latitude, ['N', 'S'])],
    ['exif:GPSLongitude', position === null ? null : coordinate(position.longitude, ['E', 'W'])],
    ['exif:GPSImgDirection', bearingDeg === null ? null : rational(bearingDeg)],
    ['tiff:Make', frame.maker ?? null],
    ['tiff:Model', (frame.model ?? frame.bodyName) || null],
    ['exifEX:LensModel', frame.lensName || null],
    ['aux:Lens', frame.lensName || null],
    ['xmp:Rating', rating === null ? null : String(rating)],
    ['Iptc4xmpCore:Location', placeName || null],
  ];
  const said = attributes.flatMap(([name, value]) => (value === null ? [] : [`   ${name}="${xmlText(value)}"`]));
  const iso =
    frame.iso === null
      ? ''
      : `<exif:ISOSpeedRatings><rdf:Seq><rdf:li>${Math.round(frame.iso)}</rdf:li></rdf:Seq></exif:ISOSpeedRatings>`;
  const words_ = frame.verdict === null ? [] : [words[frame.verdict]];
  const keywords =
    words_.length === 0
      ? ''
      : `<dc:subject><rdf:Bag>${words_.map((word) => `<rdf:li>${xmlText(word)}</rdf:li>`).join('')}</rdf:Bag></dc:subject>`;
  return [
    '<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>',
    '<x:xmpmeta xmlns:x="adobe:ns:meta/">',
    ' <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">',
    '  <rdf:Description rdf:about=""',
    '   xmlns:exif="http://ns.adobe.com/exif/1.0/"',
    '   xmlns:tiff="http://ns.adobe.com/tiff/1.0/"',
    '   xmlns:exifEX="http://cipa.jp/exif/1.0/"',
    '   xmlns:aux="http://ns.adobe.com/exif/1.0/aux/"',
    '   xmlns:xmp="http://ns.adobe.com/xap/1.0/"',
    '   xmlns:dc="http://purl.org/dc/elements/1.1/"',
    '   xmlns:Iptc4xmpCore="http://iptc.org/std/Iptc4xmpCore/1.0/xmlns/"',
    ...said,
    '  >',
    `  ${iso}${keywords}`,
    '  </rdf:Description>',
    ' </rdf:RDF>',
    '</x:xmpmeta>',
    '<?xpacket end="w"?>',
    '',
  ].join('\n');
}

/** The sidecar's name: as its file with another ending, or as the frame of film. */
function sidecarName(fileName: string): string {
  return `${fileName.replace(/\.[a-z0-9]{1,5}$/i, '')}.xmp`;
}

/** Names of sidecars for files in their order: where two are called alike (of two cameras, of two folders) none is lost. */
export function sidecarNames(fileNames: readonly string[]): readonly string[] {
  const taken = new Set<string>();
  return fileNames.map((fileName) => {
    const plain = sidecarName(fileName);
    let name = plain;
    for (let k = 2; taken.has(name.toLowerCase()); k++) name = plain.replace(/\.xmp$/, ` (${k}).xmp`);
    taken.add(name.toLowerCase());
    return name;
  });
}
