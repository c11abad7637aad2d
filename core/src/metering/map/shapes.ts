/** Places in a frame are in heights of the frame: x from 0 to 1.5 in a frame of 3:2, y from 0 at the top to 1. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export type Shape =
  | { readonly kind: 'everything' }
  | { readonly kind: 'box'; readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  | { readonly kind: 'ellipse'; readonly x: number; readonly y: number; readonly radiusX: number; readonly radiusY: number }
  | { readonly kind: 'polygon'; readonly points: readonly Spot[] }
  /** A line from one place to another with round ends. */
  | { readonly kind: 'stroke'; readonly from: Spot; readonly to: Spot; readonly radius: number }
  /** What any of them covers. */
  | { readonly kind: 'any'; readonly of: readonly Shape[] };

/**
 * Signed distance to a shape's edge in heights of the frame, below 0 inside. It changes by no more than the way that one goes
 * (1-Lipschitz), so whoever paints a row may step over as much of it as the distance says.
 */
export type SignedDistance = (x: number, y: number) => number;

function toBox({ x, y, width, height }: Shape & { kind: 'box' }): SignedDistance {
  const [middleX, middleY] = [x + width / 2, y + height / 2];
  return (px, py) => {
    const outX = Math.abs(px - middleX) - width / 2;
    const outY = Math.abs(py - middleY) - height / 2;
    if (outX <= 0 || outY <= 0) return Math.max(outX, outY);
    return Math.sqrt(outX * outX + outY * outY);
  };
}

/** A circle's distance, scaled by the smaller radius: nearer than the true one, never further. */
function toEllipse({ x, y, radiusX, radiusY }: Shape & { kind: 'ellipse' }): SignedDistance {
  const smaller = Math.min(radiusX, radiusY);
  return (px, py) => {
    const [u, v] = [(px - x) / radiusX, (py - y) / radiusY];
    return (Math.sqrt(u * u + v * v) - 1) * smaller;
  };
}

function squareToStroke(px: number, py: number, a: Spot, b: Spot): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const along = ((px - a.x) * dx + (py - a.y) * dy) / (dx * dx + dy * dy || 1);
  const t = along < 0 ? 0 : along > 1 ? 1 : along;
  const [offX, offY] = [px - a.x - t * dx, py - a.y - t * dy];
  return offX * offX + offY * offY;
}

function toPolygon({ points }: Shape & { kind: 'polygon' }): SignedDistance {
  const edges = points.map((a, k) => [a, points[(k + 1) % points.length] as Spot] as const);
  return (px, py) => {
    let least = Infinity;
    let isInside = false;
    for (const [a, b] of edges) {
      least = Math.min(least, squareToStroke(px, py, a, b));
      if (a.y > py !== b.y > py && px < a.x + ((py - a.y) / (b.y - a.y)) * (b.x - a.x)) isInside = !isInside;
    }
    return isInside ? -Math.sqrt(least) : Math.sqrt(least);
  };
}

export function signedDistance(shape: Shape): SignedDistance {
  switch (shape.kind) {
    case 'everything':
      return () => -Infinity;
    case 'box':
      return toBox(shape);
    case 'ellipse':
      return toEllipse(shape);
    case 'polygon':
      return toPolygon(shape);
    case 'stroke': {
      const { from, to, radius } = shape;
      return (px, py) => Math.sqrt(squareToStroke(px, py, from, to)) - radius;
    }
    case 'any': {
      const all = shape.of.map(signedDistance);
      return (px, py) => {
        let least = Infinity;
        for (const distance of all) least = Math.min(least, distance(px, py));
        return least;
      };
    }
  }
}

/** Somebody who stands, feet at a place, so many heights of the frame tall: the whole, the coat, and the face. */
export function person({ x, y }: Spot, tall: number): { readonly whole: Shape; readonly coat: Shape; readonly face: Shape } {
  const at = (dx: number, up: number): Spot => ({ x: x + dx * tall, y: y - up * tall });
  const face: Shape = { kind: 'ellipse', ...at(0, 0.92), radiusX: 0.05 * tall, radiusY: 0.07 * tall };
  const coat: Shape = {
    kind: 'polygon',
    points: [
      at(-0.07, 0.84),
      at(0.07, 0.84),
      at(0.13, 0.78),
      at(0.14, 0.4),
      at(0.12, 0.3),
      at(-0.12, 0.3),
      at(-0.14, 0.4),
      at(-0.13, 0.78),
    ],
  };
  const legs: readonly Shape[] = [-0.06, 0.06].map((dx) => ({
    kind: 'stroke',
    from: at(dx, 0.32),
    to: at(1.3 * dx, 0.03),
    radius: 0.04 * tall,
  }));
  return { whole: { kind: 'any', of: [face, coat, ...legs] }, coat, face };
}
