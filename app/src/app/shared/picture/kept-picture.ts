import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { Thumbnails } from '../../storage/thumbnails';

/** A small picture that is kept, of a frame, a patch or a place: fetched when it comes into view; a plain ground until then, and where there is none. */
@Component({
  selector: 'rd-kept-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[hidden]': 'isHiddenWithout() && url() === null' },
  template: `
    @if (url(); as src) {
      <img [src]="src" alt="" draggable="false" />
    } @else {
      <span>{{ words() }}</span>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow: hidden;
      background: var(--rule);
    }
    span {
      display: block;
      padding: var(--space-2);
      font-size: var(--text-small);
    }
    :host([hidden]) {
      display: none;
    }
    img {
      display: block;
      width: 100%;
      height: 100%;
      object-fit: contain;
      filter: var(--picture-filter);
    }
  `,
})
export class KeptPicture {
  /** Where most have none: no ground stands for one. */
  readonly isHiddenWithout = input(false);
  /** What its picture is kept under. */
  readonly thumbnailId = input.required<string>();
  /** All of it made small, or its middle at its full size. */
  readonly part = input<'thumb' | 'close'>('thumb');
  /** What stands there without a picture. */
  readonly words = input('');
  /** Another picture has come for the same frame. */
  readonly version = input<unknown>(null);

  private readonly sights = inject(Thumbnails);
  protected readonly url = signal<string | null>(null);

  constructor() {
    effect((onCleanup) => {
      const id = this.thumbnailId();
      const part = this.part();
      this.version();
      let isStale = false;
      onCleanup(() => (isStale = true));
      void this.sights.get(id).then((sight) => {
        if (!isStale) this.show(sight?.[part] ?? null);
      });
    });
    inject(DestroyRef).onDestroy(() => this.show(null));
  }

  private show(blob: Blob | null): void {
    const before = this.url();
    this.url.set(blob === null ? null : URL.createObjectURL(blob));
    if (before !== null) URL.revokeObjectURL(before);
  }
}
