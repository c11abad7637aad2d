import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { DEFAULT_FIGURES, FIGURE_RANGES, type Figures } from '@roam-dial/core/kit';
import { ValueField } from '../../fields/value-field';
import { numberCodec } from '../../fields/codec';

interface FigureSpec {
  readonly key: keyof Figures;
  readonly label: string;
  readonly unit: string;
}

const spec = (key: keyof Figures, label: string, unit = ''): FigureSpec => ({ key, label, unit });

const GROUPS: readonly { readonly name: string; readonly figures: readonly FigureSpec[] }[] = [
  {
    name: 'Hands',
    figures: [
      spec('braceStops', 'Bracing gains', 'stops'),
      spec('walkingStops', 'Walking costs', 'stops'),
      spec('longestHandheldS', 'Longest by hand', 's'),
      spec('burstIndependence', 'Each further frame counts', 'of one'),
    ],
  },
  {
    name: 'Focus',
    figures: [
      spec('stepSpreadM', 'They step beside the spot by', 'm'),
      spec('centreOffsetDeg', 'Recomposed by', '°'),
      spec('isolatingBlurPx', 'Isolating: blur of', 'px'),
      spec('isolatingDistanceM', 'at a distance of', 'm'),
    ],
  },
  {
    name: 'Motion blur, in circles of confusion',
    figures: [
      spec('strictSmear', 'Strict', 'c'),
      spec('candidSmear', 'Candids', 'c'),
      spec('nightSmear', 'Streets by night', 'c'),
      spec('flashSmearGain', 'With flash, times', 'x'),
      spec('wantedSmearFrom', 'Wanted from', 'c'),
      spec('wantedSmearTo', 'to', 'c'),
      spec('pannedSmearFrom', 'Panned background from', 'c'),
      spec('pannedSmearTo', 'to', 'c'),
      spec('panSkill', 'A pan follows', 'of it'),
    ],
  },
  {
    name: 'Light',
    figures: [
      spec('exposureUnderEv', 'Good down to', 'stops under'),
      spec('exposureOverEv', 'and up to', 'stops over'),
      spec('exposureFadeEv', 'and spoilt past that by', 'stops'),
      spec('mainsHz', 'Mains', 'Hz'),
      spec('oldTubeRipple', 'Old tubes pulse', 'of it'),
      spec('poorLedRipple', 'Poor LEDs pulse', 'of it'),
      spec('goodLedRipple', 'Good LEDs pulse', 'of it'),
      spec('screenHz', 'Screens pulse at', 'Hz'),
      spec('screenDuty', 'and are lit for', 'of it'),
      spec('flickerFreeEv', 'Unseen flicker up to', 'stops'),
      spec('flickerRuinEv', 'and ruinous from', 'stops'),
    ],
  },
  {
    name: 'Choosing',
    figures: [
      spec('isoCostPerStop', 'A stop of ISO costs', 'chance'),
      spec('softFactor', 'Limit reached below', 'chance'),
      spec('leastChance', 'No recommendation below', 'chance'),
      spec('wayOutGain', 'A suggestion gains at least', 'chance'),
      spec('ladderChance', 'Stop stepping down below', 'chance'),
      spec('ringPrice', 'A ring or dial costs', 'chance'),
      spec('buttonPrice', 'A button costs', 'chance'),
      spec('menuPrice', 'A menu costs', 'chance'),
    ],
  },
];

/** The figures of judgement behind the search, each with its default, for whoever knows better. */
@Component({
  selector: 'rd-figures-editor',
  imports: [MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary>Model assumptions ({{ changedCount() }} changed)</summary>
      @for (group of groups; track group.name) {
        <h4>{{ group.name }}</h4>
        <div class="figures">
          @for (one of group.figures; track one.key) {
            <rd-value-field
              [label]="one.label"
              [hint]="hintOf(one.key)"
              [value]="valueOf(one.key)"
              [codec]="codecs[one.key]"
              (changed)="set(one.key, $event)"
            />
          }
        </div>
      }
      @if (changedCount() > 0) {
        <button mat-stroked-button type="button" (click)="changed.emit({})">Back to all defaults</button>
      }
    </details>
  `,
  styles: `
    details {
      margin-top: var(--space-4);
    }
    summary {
      min-height: 28px;
      padding: 4px 0;
      font-weight: 600;
      cursor: pointer;
    }
    h4 {
      margin: var(--space-3) 0 var(--space-1);
      font: 600 var(--text-small) var(--font-figures);
    }
    .figures {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: var(--space-2) var(--space-4);
      align-items: start;
    }
    button {
      margin-top: var(--space-3);
    }
  `,
})
export class FiguresEditor {
  readonly figures = input.required<Partial<Figures>>();
  readonly changed = output<Partial<Figures>>();

  protected readonly groups = GROUPS;
  protected readonly codecs = Object.fromEntries(
    GROUPS.flatMap(({ figures }) =>
      figures.map(({ key, unit }) => {
        const [low, high] = FIGURE_RANGES[key];
        return [key, numberCodec({ low, high, unit, decimals: 3, step: DEFAULT_FIGURES[key] > 2 ? 1 : 0.05 })];
      }),
    ),
  ) as Record<keyof Figures, ReturnType<typeof numberCodec>>;

  protected valueOf(key: keyof Figures): number {
    return this.figures()[key] ?? DEFAULT_FIGURES[key];
  }

  protected hintOf(key: keyof Figures): string {
    return this.figures()[key] === undefined ? '' : `else ${Number(DEFAULT_FIGURES[key].toFixed(3))}`;
  }

  protected changedCount(): number {
    return Object.keys(this.figures()).length;
  }

  /** A figure put back to its default is no figure of one's own. */
  protected set(key: keyof Figures, value: number): void {
    const others = Object.entries(this.figures()).filter(([other]) => other !== key);
    const isDefault = Math.abs(value - DEFAULT_FIGURES[key]) < 1e-6;
    this.changed.emit(Object.fromEntries(isDefault ? others : [...others, [key, value]]));
  }
}
