import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { BehaviorSubject, map } from 'rxjs';
import { demoWorkspace } from '../../../../testing/demo';
import type { Workspace } from '../../../storage/workspace';
import { KitActions } from '../../../state/kit/actions';
import { StopActions } from '../../../state/walk/stop.actions';
import { focusOn, FocusStore } from '../../../state/selection/focus.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { LessonsPage } from './lessons-page';

const DEMO = demoWorkspace();
/** The demo’s walk and its frames as somebody's own, and an own walk without frames. */
const OWN: Workspace = { ...DEMO, walks: DEMO.walks.map((walk) => ({ ...walk, isDemo: false })) };
const BESIDE: Workspace = { ...DEMO, walks: [...DEMO.walks, ...OWN.walks.map((walk) => ({ ...walk, id: 'own', name: 'Own' }))] };

function lessons(
  workspace: Workspace,
  walkId: string,
): { readonly text: string; readonly buttons: number; readonly taken: string[] } {
  TestBed.resetTestingModule();
  const workspace$ = new BehaviorSubject(workspace);
  const focus = focusOn(workspace, { walkId, stopId: null, minuteOfDay: null });
  const taken: string[] = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: WorkspaceStore, useValue: { workspace$, settings$: workspace$.pipe(map(({ settings }) => settings)) } },
      { provide: FocusStore, useValue: { focus$: new BehaviorSubject(focus) } },
      { provide: KitActions, useValue: { takeFromFrames: (what: string) => taken.push(what) } },
      { provide: StopActions, useValue: { adjust: () => undefined } },
    ],
  });
  const page = TestBed.createComponent(LessonsPage);
  page.detectChanges();
  const host = page.nativeElement as HTMLElement;
  const buttons = [...host.querySelectorAll('button')];
  buttons[0]?.click();
  return { text: (host.textContent ?? '').replace(/\s+/g, ' '), buttons: buttons.length, taken };
}

describe('what frames teach', () => {
  it('is taken over by a button from one’s own frames', () => {
    const own = lessons(OWN, OWN.walks[0]?.id ?? '');
    expect(own.text).toMatch(/Your hands.*from 42 handheld frames, 3 of them shaky\. Current setting: 0 stops\./);
    expect(own.text).not.toContain('invented frames');
    expect(own.taken).toEqual(['your steadiness']);
  });
  it('is nothing from the demo’s frames: on one’s own walk they do not count, on the demo’s they are an example', () => {
    const beside = lessons(BESIDE, 'own');
    expect(beside.text).toContain('Mark some frames as shaky or good');
    expect(beside.text).not.toContain('42');
    expect(beside.buttons).toBe(0);
    const demo = lessons(BESIDE, DEMO.walks[0]?.id ?? '');
    expect(demo.text).toMatch(/invented frames, shown as an example.*42 handheld frames/);
    expect(demo.buttons).toBe(0);
  });
});
