import plainUrl from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf' with { loader: 'file' };
import boldUrl from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf' with { loader: 'file' };
import type { PDFDocument, PDFFont, PDFImage, PDFPage } from 'pdf-lib';
import type { FieldCard } from './file-walk';
import { fetched } from '../../base/fetched';

/**
 * Field cards on A4, four to a page: each is cut out and folded in the middle, what to set on its front, the ladder on its back.
 * The writer and its fonts are loaded when cards are asked for; the fonts are embedded, so that any name prints.
 */

const PT_PER_MM = 72 / 25.4;
const PAGE = { widthMm: 210, heightMm: 297 };
const CARD = { widthMm: PAGE.widthMm / 2, heightMm: PAGE.heightMm / 2 };
const MARGIN_MM = 7;
const COLUMNS = 3;
const PLACES = 6;
/** What takes the place of a letter that the font does not have. */
const UNKNOWN = '□';
const LEADING = 1.25;
/** Smaller than this nobody reads it in the dark. */
const LEAST_PT = 6;

interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
  readonly has: ReadonlySet<number>;
}

async function fontBytes(url: string): Promise<ArrayBuffer> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`The font of the cards could not be loaded (${answer.status}).`);
  return answer.arrayBuffer();
}

/** Text set from the top left of a card, in millimetres. */
class Pen {
  constructor(
    private readonly page: PDFPage,
    private readonly fonts: Fonts,
    private readonly leftMm: number,
    private readonly topMm: number,
  ) {}

  private said(text: string): string {
    return [...text].map((one) => (this.fonts.has.has(one.codePointAt(0) ?? 0) ? one : UNKNOWN)).join('');
  }

  private widthMm(text: string, size: number, font: PDFFont): number {
    return font.widthOfTextAtSize(text, size) / PT_PER_MM;
  }

  /** One line that fits, smaller where it has to be and cut where that is not enough. Gives the size that it took. */
  line(text: string, xMm: number, yMm: number, size: number, roomMm: number, isBold = false, leastSize = 7): void {
    const font = isBold ? this.fonts.bold : this.fonts.plain;
    let [words, at] = [this.said(text), size];
    while (at > leastSize && this.widthMm(words, at, font) > roomMm) at -= 0.5;
    while (words.length > 1 && this.widthMm(words, at, font) > roomMm) words = `${words.slice(0, -2)}…`;
    this.draw(words, xMm, yMm, at, font);
  }

  /** Lines broken between words, down to a depth; the last one ends in dots where there is more. Gives where the next begins. */
  block(text: string, xMm: number, yMm: number, size: number, roomMm: number, deepestMm: number, isBold = false): number {
    const font = isBold ? this.fonts.bold : this.fonts.plain;
    const stepMm = (size * LEADING) / PT_PER_MM;
    let y = yMm;
    for (const line of this.broken(text, size, roomMm, font)) {
      if (y > deepestMm) return y;
      this.draw(y + stepMm > deepestMm ? `${line}…` : line, xMm, y, size, font);
      y += stepMm;
    }
    return y;
  }

  /** The same in the largest size from `size` down at which all of it fits: what warns is not cut. */
  wholeBlock(text: string, xMm: number, yMm: number, size: number, roomMm: number, deepestMm: number): void {
    let at = size;
    const heightMm = (): number => (this.broken(text, at, roomMm, this.fonts.bold).length * at * LEADING) / PT_PER_MM;
    while (at > LEAST_PT && yMm + heightMm() > deepestMm) at -= 0.5;
    this.block(text, xMm, yMm, at, roomMm, deepestMm, true);
  }

  /** A picture as large as there is room for, from its top left. */
  picture(image: PDFImage, xMm: number, yMm: number, roomMm: number, mostHighMm: number): void {
    const scale = Math.min(roomMm / image.width, mostHighMm / image.height);
    const [width, height] = [image.width * scale * PT_PER_MM, image.height * scale * PT_PER_MM];
    const [x, y] = [(this.leftMm + xMm) * PT_PER_MM, (PAGE.heightMm - this.topMm - yMm) * PT_PER_MM - height];
    this.page.drawImage(image, { x, y, width, height });
  }

  rule(y0Mm: number, isDashed = false): void {
    const y = (PAGE.heightMm - this.topMm - y0Mm) * PT_PER_MM;
    const [start, end] = [this.leftMm, this.leftMm + CARD.widthMm].map((x) => ({ x: x * PT_PER_MM, y }));
    if (start === undefined || end === undefined) return;
    this.page.drawLine({ start, end, thickness: 0.4, ...(isDashed ? { dashArray: [3, 3] } : {}) });
  }

  private draw(text: string, xMm: number, yMm: number, size: number, font: PDFFont): void {
    const [x, y] = [(this.leftMm + xMm) * PT_PER_MM, (PAGE.heightMm - this.topMm - yMm) * PT_PER_MM];
    this.page.drawText(text, { x, y, size, font });
  }

  private broken(text: string, size: number, roomMm: number, font: PDFFont): readonly string[] {
    const lines: string[] = [];
    for (const part of this.said(text).split('\n')) {
      let line = '';
      for (const word of part.split(/\s+/).flatMap((one) => this.chopped(one, size, roomMm, font))) {
        const longer = line === '' ? word : `${line} ${word}`;
        if (this.widthMm(longer, size, font) <= roomMm) line = longer;
        else {
          lines.push(line);
          line = word;
        }
      }
      lines.push(line);
    }
    return lines;
  }

  /** A word that is wider than the room, in pieces. */
  private chopped(word: string, size: number, roomMm: number, font: PDFFont): readonly string[] {
    const pieces: string[] = [];
    let rest = word;
    while (rest.length > 1 && this.widthMm(rest, size, font) > roomMm) {
      let count = rest.length - 1;
      while (count > 1 && this.widthMm(rest.slice(0, count), size, font) > roomMm) count--;
      pieces.push(rest.slice(0, count));
      rest = rest.slice(count);
    }
    return [...pieces, rest];
  }
}

const ROOM_MM = CARD.widthMm - 2 * MARGIN_MM;
const FOLD_MM = CARD.heightMm / 2;

function drawFront(pen: Pen, card: FieldCard, image: PDFImage | null): void {
  pen.line(`${card.number} · ${card.when}`, MARGIN_MM, 10, 8.5, ROOM_MM);
  pen.line(card.name, MARGIN_MM, 16.5, 15, ROOM_MM, true, 8);
  const columnMm = ROOM_MM / COLUMNS;
  card.numbers.forEach(({ label, number, aside }, k) => {
    const [x, y] = [MARGIN_MM + (k % COLUMNS) * columnMm, 23.5 + Math.floor(k / COLUMNS) * 17.5];
    pen.line(aside === '' ? label : `${label} · ${aside}`, x, y, 7.5, columnMm - 2);
    pen.line(number, x, y + 9.5, 26, columnMm - 2, true, 9);
  });
  // Where five numbers leave room, else on the back.
  if (image !== null && card.numbers.length < PLACES) pen.picture(image, MARGIN_MM + 2 * columnMm, 38, columnMm, 17.5);
  const light = card.light === '' ? '' : `Light ${card.light}`;
  const y = pen.block(light, MARGIN_MM, 59, 9.5, ROOM_MM, FOLD_MM - 8);
  if (card.care !== '') pen.wholeBlock(`Care: ${card.care}`, MARGIN_MM, y, 9.5, ROOM_MM, FOLD_MM - 1);
}

function drawBack(pen: Pen, card: FieldCard, image: PDFImage | null): void {
  pen.line(`${card.number} · As the light goes`, MARGIN_MM, FOLD_MM + 9, 8.5, ROOM_MM);
  let y = FOLD_MM + 15;
  for (const step of card.ladder) y = pen.block(step, MARGIN_MM, y, 10.5, ROOM_MM, CARD.heightMm - 9, true) + 0.8;
  if (image !== null && card.numbers.length >= PLACES) pen.picture(image, CARD.widthMm - MARGIN_MM - 27, FOLD_MM + 4, 27, 18);
  if (card.notes !== '') pen.block(card.notes, MARGIN_MM, y + 1, 9, ROOM_MM, CARD.heightMm - 5);
}

/** A view as the document holds it; null without one. */
async function imageOf(pdf: PDFDocument, seen: FieldCard['seen']): Promise<PDFImage | null> {
  if (seen === null) return null;
  const canvas = document.createElement('canvas');
  canvas.width = seen.width;
  canvas.height = seen.height;
  canvas.getContext('2d')?.putImageData(new ImageData(seen.pixels, seen.width, seen.height), 0, 0);
  return pdf.embedPng(canvas.toDataURL('image/png'));
}

/** The bytes of a PDF. @throws Error where the fonts cannot be fetched. */
export async function fieldCardsPdf(title: string, cards: readonly FieldCard[]): Promise<Uint8Array> {
  const [{ PDFDocument }, { default: fontkit }, plainBytes, boldBytes] = await Promise.all([
    fetched('The PDF writer', () => import('pdf-lib')),
    fetched('The PDF writer', () => import('@pdf-lib/fontkit')),
    fontBytes(plainUrl),
    fontBytes(boldUrl),
  ]);
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title, { showInWindowTitleBar: true });
  pdf.setCreator('Roam Dial');
  const plain = await pdf.embedFont(plainBytes, { subset: true });
  const bold = await pdf.embedFont(boldBytes, { subset: true });
  const both = new Set(bold.getCharacterSet());
  const fonts: Fonts = { plain, bold, has: new Set(plain.getCharacterSet().filter((one) => both.has(one))) };
  let page: PDFPage | null = null;
  const images = await Promise.all(cards.map(({ seen }) => imageOf(pdf, seen)));
  cards.forEach((card, k) => {
    const image = images[k] ?? null;
    const place = k % 4;
    if (page === null || place === 0) page = pdf.addPage([PAGE.widthMm * PT_PER_MM, PAGE.heightMm * PT_PER_MM]);
    const pen = new Pen(page, fonts, (place % 2) * CARD.widthMm, Math.floor(place / 2) * CARD.heightMm);
    drawFront(pen, card, image);
    drawBack(pen, card, image);
    pen.rule(FOLD_MM, true);
    pen.rule(CARD.heightMm);
  });
  return pdf.save();
}
