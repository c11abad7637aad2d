import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { BehaviorSubject, filter, map, type Observable } from 'rxjs';

/** A map file dropped anywhere on the window goes to the page that reads one now, or else begins a walk. */
@Injectable({ providedIn: 'root' })
export class MapDrop {
  private readonly router = inject(Router);
  private readonly waiting = new BehaviorSubject<File | null>(null);

  /** Files to read; each is taken once, by whoever listens first. */
  readonly file$: Observable<File> = this.waiting.pipe(
    filter((file) => file !== null),
    map((file) => {
      this.waiting.next(null);
      return file;
    }),
  );

  async take(file: File): Promise<void> {
    const isTaken = this.waiting.observed;
    this.waiting.next(file);
    if (!isTaken) await this.router.navigate(['/start'], { queryParamsHandling: 'preserve' });
  }
}
