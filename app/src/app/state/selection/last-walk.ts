import { Injectable } from '@angular/core';

const STORED_AS = 'roam-dial.last-walk';

/** The walk that was looked at last in this browser: an address that names none means that one. */
@Injectable({ providedIn: 'root' })
export class LastWalk {
  private walkId = stored();

  /** Null where none was, or nothing can be remembered. */
  get id(): string | null {
    return this.walkId;
  }

  remember(walkId: string): void {
    if (walkId === this.walkId) return;
    this.walkId = walkId;
    try {
      localStorage.setItem(STORED_AS, walkId);
    } catch {
      // Storage that is full or forbidden forgets it with the page.
    }
  }
}

function stored(): string | null {
  try {
    return localStorage.getItem(STORED_AS);
  } catch {
    return null;
  }
}
