import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type Word, WORDS } from '../words/words';

let made = 0;

/** One of our words where it is first met: a tap explains it, a tap anywhere or Escape closes it again. */
@Component({
  selector: 'rd-term',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" [attr.popovertarget]="id" [style.anchor-name]="anchor">what “{{ of() }}” means</button>
    <span class="meaning" popover [id]="id" [style.position-anchor]="anchor">
      <b>{{ of() }}:</b>
      {{ meaning() }}
    </span>
  `,
  styles: `
    button {
      padding: 0;
      border: 0;
      border-bottom: 1px dotted currentColor;
      background: none;
      color: var(--ink-soft);
      font: inherit;
      font-size: var(--text-small);
      cursor: help;
    }
    b {
      font-weight: 600;
    }
    .meaning {
      position: fixed;
      max-width: 300px;
      margin: 6px 0 0;
      padding: var(--space-2) var(--space-3);
      border: 1px solid var(--rule);
      background: var(--sheet);
      color: var(--ink);
      font-size: var(--text-body);
      font-weight: normal;
      line-height: 1.4;
      position-area: bottom span-right;
      position-try-fallbacks: flip-inline, flip-block;
    }
  `,
})
export class Term {
  readonly of = input.required<Word>();
  protected readonly meaning = computed(() => WORDS[this.of()]);
  protected readonly id = `term-${++made}`;
  protected readonly anchor = `--${this.id}`;
}
