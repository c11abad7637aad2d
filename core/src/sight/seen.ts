/** What a cell shows. */
export const SEEN = { sky: 0, wall: 1, ground: 2, water: 3, roof: 4, leaf: 5, hanging: 6, screen: 7 } as const;
