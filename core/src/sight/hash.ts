/** An even number in [0, 1) from whole numbers, the same every time: the mixing steps of splitmix. */
export function hashed(a: number, b: number, c = 0): number {
  let mixed = (Math.imul(a | 0, 0x9e3779b1) ^ Math.imul(b | 0, 0x85ebca77) ^ Math.imul(c | 0, 0xc2b2ae3d)) >>> 0;
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x21f0aaad);
  mixed = Math.imul(mixed ^ (mixed >>> 15), 0x735a2d97);
  return ((mixed ^ (mixed >>> 15)) >>> 0) / 2 ** 32;
}
