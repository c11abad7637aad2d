import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { SHORTCUTS } from './shortcuts';
import { WORD_LIST } from '../words/words';

@Component({
  selector: 'rd-shortcut-sheet',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title tabindex="-1">Keys and words</h2>
    <mat-dialog-content tabindex="0">
      <div class="both">
        <section>
          <table>
            <caption class="visually-hidden">Keyboard shortcuts</caption>
            <tbody>
              @for (one of shortcuts; track $index) {
                <tr>
                  <th scope="row">{{ one.keys }}</th>
                  <td>{{ one.words }}</td>
                </tr>
              }
            </tbody>
          </table>
          <p class="soft">Single keys can be turned off in Settings. Tab reaches everything.</p>
        </section>
        <section aria-label="Words">
          <dl>
            @for (one of words; track one.word) {
              <dt>{{ one.word }}</dt>
              <dd>{{ one.meaning }}</dd>
            }
          </dl>
        </section>
      </div>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-stroked-button mat-dialog-close type="button">Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    tr {
      border-bottom: 1px dotted var(--rule);
    }
    th {
      width: 130px;
      padding: 5px 0;
      font-family: var(--font-figures);
      text-align: left;
    }
    p {
      margin-top: var(--space-3);
    }
    .both {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
      gap: var(--space-5);
    }
    dl {
      margin: 0;
    }
    dt {
      font-weight: 600;
    }
    dd {
      margin: 0 0 var(--space-2);
    }
  `,
})
export class ShortcutSheet {
  protected readonly shortcuts = SHORTCUTS;
  protected readonly words = WORD_LIST;
}
