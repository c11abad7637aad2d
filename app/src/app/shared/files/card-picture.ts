import type { FieldCard } from './file-walk';

/** A card as a picture for a phone's locked screen: what to set, large, below the room for the phone's own clock. */

export const PICTURE = { widthPx: 1170, heightPx: 2532 } as const;
const MARGIN_PX = 80;
/** A phone's own clock stands above this. */
const TOP_PX = 820;
const GAP_PX = 40;

interface Ink {
  readonly paper: string;
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
}

function inkOf(root: HTMLElement): Ink {
  const style = getComputedStyle(root);
  const of = (name: string): string => style.getPropertyValue(name).trim();
  return { paper: of('--paper'), ink: of('--ink'), soft: of('--ink-soft'), rule: of('--rule-strong') };
}

/** A text in the largest size that fits, from a size down. */
function fitted(pen: CanvasRenderingContext2D, text: string, weight: number, family: string, sizePx: number, roomPx: number): void {
  for (let size = sizePx; ; size -= 4) {
    pen.font = `${weight} ${size}px ${family}`;
    if (size <= 28 || pen.measureText(text).width <= roomPx) return;
  }
}

const FIGURES = "'Roam Figures', sans-serif";
const TEXT = "'Roam Digits', 'Roam Text', sans-serif";

function draw(pen: CanvasRenderingContext2D, card: FieldCard, ink: Ink): void {
  const room = PICTURE.widthPx - 2 * MARGIN_PX;
  const put = (text: string, x: number, y: number, colour: string): void => {
    pen.fillStyle = colour;
    pen.fillText(text, x, y, room);
  };
  pen.fillStyle = ink.paper;
  pen.fillRect(0, 0, PICTURE.widthPx, PICTURE.heightPx);
  fitted(pen, card.when, 400, TEXT, 44, room);
  put(card.when, MARGIN_PX, TOP_PX, ink.soft);
  fitted(pen, card.name, 700, FIGURES, 76, room);
  put(card.name, MARGIN_PX, TOP_PX + 92, ink.ink);
  const column = room / 2;
  card.numbers.forEach(({ label, number, aside }, k) => {
    const isWide = k === card.numbers.length - 1 && k % 2 === 0;
    const width = isWide ? room : column - GAP_PX / 2;
    const [x, y] = [MARGIN_PX + (k % 2) * (column + GAP_PX / 2), TOP_PX + 170 + Math.floor(k / 2) * 250];
    pen.fillStyle = ink.rule;
    pen.fillRect(x, y, width, 3);
    const head = aside === '' ? label : `${label} · ${aside}`;
    fitted(pen, head, 400, TEXT, 40, width);
    put(head, x, y + 58, ink.soft);
    fitted(pen, number, 700, FIGURES, 128, width);
    put(number, x, y + 188, ink.ink);
  });
  let y = TOP_PX + 170 + Math.ceil(card.numbers.length / 2) * 250 + 60;
  for (const line of [
    card.light === '' ? '' : `Light ${card.light}`,
    ...card.ladder.slice(1),
    card.care === '' ? '' : `Care: ${card.care}`,
  ].filter((one) => one !== '')) {
    if (y > PICTURE.heightPx - 260) break;
    fitted(pen, line, 600, TEXT, 46, room);
    put(line, MARGIN_PX, y, ink.ink);
    y += 72;
  }
}

/** The picture as a PNG. @throws Error where the browser cannot draw. */
export async function cardPicture(card: FieldCard): Promise<Blob> {
  await Promise.all([document.fonts.load("700 100px 'Roam Figures'"), document.fonts.load("400 40px 'Roam Text'")]);
  const canvas = document.createElement('canvas');
  canvas.width = PICTURE.widthPx;
  canvas.height = PICTURE.heightPx;
  const pen = canvas.getContext('2d');
  if (pen === null) throw new Error('This browser draws no pictures.');
  draw(pen, card, inkOf(document.documentElement));
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob === null) throw new Error('The picture could not be written.');
  return blob;
}
