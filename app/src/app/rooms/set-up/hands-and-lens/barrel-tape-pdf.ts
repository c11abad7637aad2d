import type { BarrelTape, TapeDepth, TapeDistance } from '@roam-dial/core/optics';
import type { PDFFont, PDFPage } from 'pdf-lib';
import { fetched } from '../../../base/fetched';

/** The barrel tape as a PDF at true size. The writer is loaded when a tape is asked for. */

export interface TapeLabels {
  readonly title: string;
  readonly basis: string;
  readonly distance: (distanceM: number) => string;
  readonly aperture: (fNumber: number) => string;
}

const PT_PER_MM = 72 / 25.4;
const MARGIN_MM = 15;
const LEAST_WIDTH_MM = 210;
const PAGE_HEIGHT_MM = 148;
/** The line by which the printer's scale is checked. */
export const CHECK_LINE_MM = 100;
const RING = { topMm: 52, heightMm: 9 };
const BARREL = { topMm: 80, heightMm: 12 };
const CHECK_TOP_MM = 112;
const LABEL_PT = 6.5;
const OVERLAP_MM = 8;

/** The standard fonts know Western letters only; what else a lens is named by is left out rather than refused. */
function western(text: string): string {
  return text
    .replaceAll('–', '-')
    .replaceAll('’', "'")
    .replaceAll('⅓', '1/3')
    .replaceAll('⅔', '2/3')
    .replace(/[^\x20-\x7e\xa0-\xff]/g, '');
}

class Sheet {
  constructor(
    private readonly page: PDFPage,
    private readonly font: PDFFont,
  ) {}

  /** From the page's top left, mm. */
  line(x0Mm: number, y0Mm: number, x1Mm: number, y1Mm: number, thicknessMm = 0.2): void {
    this.page.drawLine({
      start: { x: x0Mm * PT_PER_MM, y: (PAGE_HEIGHT_MM - y0Mm) * PT_PER_MM },
      end: { x: x1Mm * PT_PER_MM, y: (PAGE_HEIGHT_MM - y1Mm) * PT_PER_MM },
      thickness: thicknessMm * PT_PER_MM,
    });
  }

  text(text: string, xMm: number, yMm: number, size = LABEL_PT, isCentred = false): void {
    const said = western(text);
    const x = xMm * PT_PER_MM - (isCentred ? this.font.widthOfTextAtSize(said, size) / 2 : 0);
    this.page.drawText(said, { x, y: (PAGE_HEIGHT_MM - yMm) * PT_PER_MM, size, font: this.font });
  }

  widthMm(text: string, size = LABEL_PT): number {
    return this.font.widthOfTextAtSize(western(text), size) / PT_PER_MM;
  }

  /** Infinity is not among the standard fonts' letters: two loops. */
  infinity(xMm: number, yMm: number, widthMm = 3): void {
    const r = widthMm / 4;
    const [x, y] = [xMm * PT_PER_MM, (PAGE_HEIGHT_MM - yMm + 0.8) * PT_PER_MM];
    const s = r * PT_PER_MM;
    const loop = (side: 1 | -1): string =>
      `M0,0C${side * s},${-s * 1.3} ${side * 2 * s},${-s} ${side * 2 * s},0C${side * 2 * s},${s} ${side * s},${s * 1.3} 0,0`;
    for (const side of [1, -1] as const) this.page.drawSvgPath(loop(side), { x, y, borderWidth: 0.2 * PT_PER_MM });
  }
}

/** Strip for the ring: a tick at every distance. Labels that would touch are left to their tick. */
function drawRing(sheet: Sheet, leftMm: number, lengthMm: number, distances: readonly TapeDistance[], labels: TapeLabels): void {
  const { topMm, heightMm } = RING;
  sheet.text('Round the focus ring', leftMm, topMm - 2, 7);
  sheet.line(leftMm, topMm, leftMm + lengthMm, topMm, 0.1);
  sheet.line(leftMm, topMm + heightMm, leftMm + lengthMm, topMm + heightMm, 0.1);
  let endMm = -Infinity;
  for (const { distanceM, atMm } of [...distances].sort((a, b) => a.atMm - b.atMm)) {
    const x = leftMm + atMm;
    sheet.line(x, topMm + heightMm - 3, x, topMm + heightMm);
    const text = labels.distance(distanceM);
    const half = distanceM === Infinity ? 1.6 : sheet.widthMm(text) / 2;
    if (x - half < endMm) continue;
    endMm = x + half + 0.6;
    if (distanceM === Infinity) sheet.infinity(x, topMm + 4);
    else sheet.text(text, x, topMm + 4.6, LABEL_PT, true);
  }
}

/** Strip for the fixed barrel: the index, and every aperture either side of it. */
function drawBarrel(sheet: Sheet, middleMm: number, depth: readonly TapeDepth[], labels: TapeLabels): void {
  const { topMm, heightMm } = BARREL;
  const half = Math.max(10, ...depth.flatMap(({ leftMm, rightMm }) => [leftMm, rightMm])) + OVERLAP_MM;
  sheet.text('On the fixed barrel, the long line at the index', middleMm - half, topMm - 2, 7);
  sheet.line(middleMm - half, topMm, middleMm + half, topMm, 0.1);
  sheet.line(middleMm - half, topMm + heightMm, middleMm + half, topMm + heightMm, 0.1);
  sheet.line(middleMm, topMm, middleMm, topMm + heightMm - 4, 0.4);
  for (const side of [-1, 1] as const) {
    let endMm = 0;
    for (const { fNumber, leftMm, rightMm } of [...depth].sort((a, b) => a.fNumber - b.fNumber)) {
      const offMm = side === -1 ? leftMm : rightMm;
      const x = middleMm + side * offMm;
      sheet.line(x, topMm, x, topMm + 4);
      const text = labels.aperture(fNumber).replace('f/', '');
      const halfText = sheet.widthMm(text) / 2;
      if (offMm - halfText < endMm) continue;
      endMm = offMm + halfText + 0.6;
      sheet.text(text, x, topMm + 7, LABEL_PT, true);
    }
  }
}

function drawCheckLine(sheet: Sheet, leftMm: number): void {
  sheet.line(leftMm, CHECK_TOP_MM, leftMm + CHECK_LINE_MM, CHECK_TOP_MM);
  for (const x of [leftMm, leftMm + CHECK_LINE_MM]) sheet.line(x, CHECK_TOP_MM - 3, x, CHECK_TOP_MM + 3);
  sheet.text(
    'This line is 100 mm long. If yours is not, print again at 100 %, without fitting to the page.',
    leftMm,
    CHECK_TOP_MM + 7,
    8,
  );
}

export async function barrelTapePdf(tape: Extract<BarrelTape, { kind: 'tape' }>, labels: TapeLabels): Promise<Uint8Array> {
  const { PDFDocument, StandardFonts } = await fetched('The PDF writer', () => import('pdf-lib'));
  const document = await PDFDocument.create();
  document.setTitle(western(labels.title));
  const font = await document.embedFont(StandardFonts.Helvetica);
  const widthMm = Math.max(LEAST_WIDTH_MM, tape.lengthMm + 2 * MARGIN_MM);
  const page = document.addPage([widthMm * PT_PER_MM, PAGE_HEIGHT_MM * PT_PER_MM]);
  const sheet = new Sheet(page, font);
  sheet.text(labels.title, MARGIN_MM, 20, 14);
  sheet.text(labels.basis, MARGIN_MM, 27, 8);
  const worstMm = Math.max(0, ...tape.depth.map(({ offMm }) => offMm));
  sheet.text(
    `Ring ${tape.circumferenceMm.toFixed(1)} mm round. A fixed depth mark is a mean: the worst is off by ${worstMm.toFixed(1)} mm.`,
    MARGIN_MM,
    32,
    8,
  );
  drawRing(sheet, MARGIN_MM, tape.lengthMm, tape.distances, labels);
  drawBarrel(sheet, MARGIN_MM + Math.max(tape.lengthMm / 2, 40), tape.depth, labels);
  drawCheckLine(sheet, MARGIN_MM);
  return document.save();
}
