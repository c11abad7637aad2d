import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { DEFAULT_SHOOTING, type Shooting } from '@roam-dial/core/stop';
import { clockCodec } from '../../../fields/codec';
import { DescribedForm } from '../../../fields/described-form';
import { FRAME_FIELDS } from './shooting-fields';
import type { StopContext } from './stop-context';

const CONTEXT: StopContext = {
  lengthUnit: 'metres',
  clock: clockCodec('24h', String),
  lenses: [],
  lens: null,
  hasWalls: false,
  afterMin: null,
  isInvented: true,
  isLocked: false,
};

function fields(shooting: Shooting = DEFAULT_SHOOTING, isLocked = false) {
  const fixture = TestBed.createComponent<DescribedForm<Shooting, StopContext>>(DescribedForm);
  fixture.componentRef.setInput('fields', FRAME_FIELDS);
  fixture.componentRef.setInput('item', shooting);
  fixture.componentRef.setInput('context', { ...CONTEXT, isLocked });
  fixture.detectChanges();
  const changes: Shooting[] = [];
  fixture.componentInstance.changed.subscribe(({ change }) => changes.push(change(shooting)));
  return { fixture, changes };
}
const element = ({ nativeElement }: ComponentFixture<unknown>): HTMLElement => nativeElement as HTMLElement;
const textOf = (fixture: ComponentFixture<unknown>): string => element(fixture).textContent ?? '';
function tick(fixture: ComponentFixture<unknown>, label: string): void {
  const found = [...element(fixture).querySelectorAll('label')].find((one) => one.textContent?.includes(label));
  const box = element(fixture).querySelector<HTMLInputElement>(`#${found?.htmlFor ?? 'none'}`);
  if (box === null) throw new Error(`no ${label}`);
  box.click();
}

describe('how frames are taken', () => {
  it('begins from one steady frame, and asks only what matters', () => {
    const { fixture } = fields();
    expect(element(fixture).querySelector<HTMLInputElement>('input')?.value).toBe('1');
    expect(textOf(fixture)).not.toContain('glitch');
    expect(textOf(fixture)).not.toContain('guessed');
  });
  it('asks for the glitch under pulsing lamps, and for a guess where a spot is locked', () => {
    const { fixture, changes } = fields({ ...DEFAULT_SHOOTING, lamp: 'screen' }, true);
    tick(fixture, 'I want the glitch');
    tick(fixture, 'guessed');
    tick(fixture, 'Walking while shooting');
    expect(changes).toEqual([
      { ...DEFAULT_SHOOTING, lamp: 'screen', wantsGlitch: true },
      { ...DEFAULT_SHOOTING, lamp: 'screen', spotByEye: true },
      { ...DEFAULT_SHOOTING, lamp: 'screen', isWalking: true },
    ]);
  });
  it.each([
    ['5', 5, null],
    ['0', null, 'alert'],
    ['a few', null, 'alert'],
    ['51', null, 'alert'],
  ])('takes %j frames for %j', (typed, frames, role) => {
    const { fixture, changes } = fields();
    const input = element(fixture).querySelector('input') as HTMLInputElement;
    input.value = typed;
    input.dispatchEvent(new Event('change'));
    fixture.detectChanges();
    expect(changes.map(({ burstFrames }) => burstFrames)).toEqual(frames === null ? [] : [frames]);
    expect(element(fixture).querySelector('[role=alert]')?.getAttribute('role') ?? null).toBe(role);
    expect(input.value).toBe(typed);
  });
});
