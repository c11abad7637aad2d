import type { ErrorStateMatcher } from '@angular/material/core';

/** What is wrong is said as soon as it is known, not only when a field is left. */
export const AT_ONCE: ErrorStateMatcher = { isErrorState: (control) => control?.invalid === true };
