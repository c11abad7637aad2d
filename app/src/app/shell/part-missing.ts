import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** Instead of a page that could not be fetched: what happened, what is safe, and the way on. Comes with the first load. */
@Component({
  selector: 'rd-part-missing',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="missing" role="alert">
      <h1>This page could not be loaded</h1>
      <p>The rest of the program works, and nothing you entered is lost. Check your network, then try again.</p>
      <button mat-flat-button type="button" (click)="again()">Try again</button>
    </div>
  `,
  styles: `
    .missing {
      display: grid;
      gap: var(--space-3);
      justify-items: start;
      max-width: 56ch;
      padding: var(--space-5) var(--space-4);
    }
  `,
})
export class PartMissing {
  /** The router keeps what it was given: only a new page asks anew. */
  protected again(): void {
    location.reload();
  }
}
