/** How far away a surface of a scene is, metres; of ground from the frame's lower edge to its own far end. */
export type Depth = number | { readonly nearM: number; readonly farM: number };

/** Where the surfaces of a scene stand, and who of them moves. */
export interface SceneDepths {
  readonly of: Readonly<Record<string, Depth>>;
  /** Labels of the person that the picture is about. */
  readonly subject: readonly string[];
  /** Whether enough is seen of them to be read: not of an outline before something bright, nor of somebody small. */
  readonly isSubjectReadable: boolean;
}

const WALKER = ['legs', 'coat', 'face'];

/** How far away a surface of a scene is at a height of the frame, 0 at its top: on level ground 1/distance goes straight. */
export function distanceOf({ of }: SceneDepths, label: string, y: number): number {
  const depth = of[label];
  if (depth === undefined) throw new RangeError(`label must be a surface whose distance is known, got ${label}`);
  if (typeof depth === 'number') return depth;
  // Its far end is taken at the frame's middle.
  const t = Math.min(1, Math.max(0, (1 - y) / 0.5));
  return 1 / ((1 - t) / depth.nearM + t / depth.farM);
}

/** Metres, as seen by a lens of 35 mm or so in terms of the 36 mm frame. Made up with the scenes. */
export const SCENE_DEPTHS: Readonly<Record<string, SceneDepths>> = {
  whiteWall: {
    of: { wall: 6, pavement: { nearM: 2.6, farM: 6 }, doorway: 6.5, lintel: 6, shutters: 6, legs: 3.4, coat: 3.4, face: 3.4 },
    subject: WALKER,
    isSubjectReadable: true,
  },
  darkCoats: {
    of: { stone: 8, sky: 400, window: 8, cellar: 8, trousers: 2.4, coats: 2.4, faces: 2.4 },
    subject: ['trousers', 'coats', 'faces'],
    isSubjectReadable: true,
  },
  lightPool: {
    of: { walls: 6, lane: { nearM: 2, farM: 16 }, doorway: 5, 'far end': 18, legs: 3.4, coat: 3.4, face: 3.4 },
    subject: WALKER,
    isSubjectReadable: true,
  },
  backLitLane: {
    of: { sky: 400, walls: 9, ground: { nearM: 2, farM: 30 }, archway: 6, sun: 400, 'near side': 3.2, face: 3.2 },
    subject: ['near side', 'face'],
    isSubjectReadable: false,
  },
  snow: {
    of: { sky: 400, wood: 60, snow: { nearM: 2, farM: 50 }, shed: 14, gap: 14, coat: 5, face: 5 },
    subject: ['coat', 'face'],
    isSubjectReadable: false,
  },
  evenStreet: {
    of: {
      sky: 400,
      houses: 9,
      windows: 6,
      street: { nearM: 2, farM: 30 },
      cellar: 8,
      legs: 3.4,
      coat: 3.4,
      face: 3.4,
    },
    subject: WALKER,
    isSubjectReadable: true,
  },
  arcade: {
    of: { vault: 4, floor: { nearM: 2.4, farM: 4 }, square: 25, corner: 4, walker: 5.4, lantern: 4 },
    subject: ['walker'],
    isSubjectReadable: false,
  },
  silhouetteScreen: {
    of: { square: 14, sky: 400, frame: 10, screen: 10, people: 3.2, face: 2, hood: 2, vendor: 4.4, lamp: 5 },
    subject: ['people'],
    isSubjectReadable: false,
  },
  wetStreet: {
    of: {
      sky: 400,
      houses: 10,
      street: { nearM: 2, farM: 30 },
      passage: 10,
      shop: 5,
      legs: 3.4,
      coat: 3.4,
      face: 3.4,
      lamps: 16,
    },
    subject: WALKER,
    isSubjectReadable: true,
  },
};
