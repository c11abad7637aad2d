/** JSON has no infinity: it is written as a word, at the fields that may hold it. */
export const INFINITY_WORD = 'infinity';
