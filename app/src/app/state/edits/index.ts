export type { WorkspaceChange } from './lists';
export * from './day-plan';
export * from './districts';
export * from './kit';
export * from './logs';
export * from './outings';
export * from './stops';
export * from './walks';
export * from './way-out';
