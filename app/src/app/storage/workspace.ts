import type { Archive } from '@roam-dial/core/formats/archive';

/** All that a person has in the program: the archive, held in memory. */
export type Workspace = Archive;
