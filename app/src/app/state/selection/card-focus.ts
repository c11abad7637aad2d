import { Injectable } from '@angular/core';
import { BehaviorSubject, type Observable } from 'rxjs';

/** Which of the card's numbers the field under the cursor feeds; the card points at it. */
export type CardTarget = 'aperture' | 'focus' | 'shutter' | 'iso' | 'meter' | 'flash' | null;

@Injectable({ providedIn: 'root' })
export class CardFocus {
  private readonly subject = new BehaviorSubject<CardTarget>(null);

  readonly pointedAt$: Observable<CardTarget> = this.subject;

  pointAt(target: CardTarget): void {
    this.subject.next(target);
  }
}
