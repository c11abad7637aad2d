import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/**
 * Instead of a page, or of a part of one, that could not be fetched: what happened, what is safe, and the way on. Comes with the
 * first load.
 */
@Component({
  selector: 'rd-part-missing',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="missing" role="alert">
      @if (part(); as name) {
        <p>
          <strong>{{ name }} could not be loaded.</strong>
        </p>
      } @else {
        <h1>This page could not be loaded</h1>
      }
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
  /** Which part of the page; without it the page itself. */
  readonly part = input<string>();

  /** Router and deferred parts keep what they were given: only a new page asks anew. */
  protected again(): void {
    location.reload();
  }
}
