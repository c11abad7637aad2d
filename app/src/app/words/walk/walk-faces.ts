/** The pages of the Walk room. */
export const WALK_FACES = [
  { path: '/walk', name: 'Time' },
  { path: '/walk/plan', name: 'Plan' },
  { path: '/walk/before', name: 'Before setting off' },
  { path: '/walk/returns', name: 'Returns' },
] as const;
