import { Injectable, signal } from '@angular/core';

/** The sections of a stop, in the order in which one finds it out. */
export const STOP_SECTIONS = ['picture', 'when', 'day', 'where', 'zone', 'people', 'approach', 'frames', 'notes'] as const;
export type StopSection = (typeof STOP_SECTIONS)[number];

const STORED_AS = 'roam-dial.open-sections';
const AT_FIRST: ReadonlySet<StopSection> = new Set(['picture']);

/** What this person had open the last time; the first section where nothing can be remembered. */
function remembered(): ReadonlySet<StopSection> {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(STORED_AS) ?? 'null');
    return Array.isArray(stored) ? new Set(STOP_SECTIONS.filter((section) => stored.includes(section))) : AT_FIRST;
  } catch {
    return AT_FIRST;
  }
}

/** Which sections of a stop are open: a habit of this browser's person, no part of a walk. */
@Injectable({ providedIn: 'root' })
export class OpenSections {
  private readonly set = signal(remembered());
  readonly open = this.set.asReadonly();
  /** The stop that has just been added by keys or mouse, until its name has the keyboard. */
  readonly nameWanted = signal<string | null>(null);

  toggle(section: StopSection, isOpen: boolean): void {
    if (this.set().has(section) === isOpen) return;
    this.set.update((before) => new Set(STOP_SECTIONS.filter((one) => (one === section ? isOpen : before.has(one)))));
    try {
      localStorage.setItem(STORED_AS, JSON.stringify([...this.set()]));
    } catch {
      // Storage that is full or forbidden forgets it with the page.
    }
  }
}
