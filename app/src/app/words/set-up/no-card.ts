/** Why there is no card and no set-up, and what to do first; wherever they are missing. */
export const NO_CARD_WORDS = {
  noWalk: 'No walk yet. Start one, or restore the demo.',
  noStop: 'This walk has no stops yet. Add the first one in Walk.',
  noKit: 'A body and a lens are needed. Add them in Kit.',
  tooNear: 'People pass closer than this lens can focus: use a shorter lens, or set a longer distance.',
  skippedDay: 'This date does not exist in this time zone. Choose another date.',
  badInput: 'There is no set-up for these values.',
} as const;
