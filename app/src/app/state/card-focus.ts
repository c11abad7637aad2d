import { Injectable, signal } from '@angular/core';

/** Which of the card's numbers the field under the cursor feeds; the card points at it. */
export type CardTarget = 'aperture' | 'focus' | 'shutter' | 'iso' | 'meter' | 'flash' | null;

@Injectable({ providedIn: 'root' })
export class CardFocus {
  readonly pointedAt = signal<CardTarget>(null);
}
