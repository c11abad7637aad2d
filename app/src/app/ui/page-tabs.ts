import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { ActivatedRoute, type IsActiveMatchOptions, RouterLink, RouterLinkActive } from '@angular/router';

export interface PageTab {
  /** From the root: `/light/now`. */
  readonly path: string;
  readonly name: string;
}

/** What the address keeps beside the page (walk, stop, time) makes no other page of it. */
const BY_PATH: IsActiveMatchOptions = { paths: 'exact', queryParams: 'ignored', matrixParams: 'ignored', fragment: 'ignored' };

/** The pages of a room over what is shown of the one that the address names: those of the room's own view, or others given. */
@Component({
  selector: 'rd-page-tabs',
  imports: [MatTabsModule, RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="strip">
      <nav
        mat-tab-nav-bar
        [attr.aria-label]="named()"
        [tabPanel]="panel"
        [mat-stretch-tabs]="false"
        [disableRipple]="true"
        [disablePagination]="true"
      >
        @for (page of shown(); track page.path) {
          <a
            #active="routerLinkActive"
            #link="matTabLink"
            mat-tab-link
            queryParamsHandling="preserve"
            [routerLink]="page.path"
            routerLinkActive
            (isActiveChange)="$event && show(link.elementRef.nativeElement)"
            [routerLinkActiveOptions]="byPath"
            [active]="active.isActive"
          >
            {{ page.name }}
          </a>
        }
      </nav>
    </div>
    <mat-tab-nav-panel #panel><ng-content /></mat-tab-nav-panel>
  `,
  styles: `
    @use 'phone';
    :host {
      display: block;
    }
    /* Whatever is touched, Material puts its own bar back to its beginning: what is swiped is round it. */
    .strip {
      margin: var(--space-1) var(--space-3) 0 var(--space-4);
      overflow-x: auto;
      scrollbar-width: none;
    }
    nav {
      width: max-content;
      min-width: 100%;
    }
    @include phone.below {
      nav {
        --mat-tab-container-height: 48px;
      }
    }
  `,
})
export class PageTabs {
  private readonly ofRoom = inject(ActivatedRoute).snapshot.data as {
    readonly tabs?: readonly PageTab[];
    readonly tabsName?: string;
  };
  readonly pages = input<readonly PageTab[]>();
  readonly label = input<string>();
  protected readonly shown = computed(() => this.pages() ?? this.ofRoom.tabs ?? []);
  protected readonly named = computed(() => this.label() ?? this.ofRoom.tabsName ?? '');
  protected readonly byPath = BY_PATH;

  /** More pages than a phone is wide are swiped: the one that is on screen is in view. */
  protected show(link: HTMLElement): void {
    requestAnimationFrame(() => link.scrollIntoView({ block: 'nearest', inline: 'center' }));
  }
}
