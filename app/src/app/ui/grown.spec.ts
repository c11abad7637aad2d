import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { grown } from './grown';

const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, k) => k);

describe('a list that is drawn as it grows', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  const turn = (): void => {
    TestBed.tick();
    jest.runOnlyPendingTimers();
  };

  it('comes slice by slice, in order, to its end, and then changes whole', () => {
    const all = signal(numbers(70));
    const drawn = TestBed.runInInjectionContext(() => grown(all));
    expect(drawn()).toEqual(numbers(25));
    turn();
    expect(drawn()).toEqual(numbers(50));
    turn();
    expect(drawn()).toBe(all());
    turn();
    all.set(numbers(74));
    expect(drawn().length).toBe(74);
  });

  it('is whole at once where it is short', () => {
    const all = signal(numbers(25));
    expect(TestBed.runInInjectionContext(() => grown(all))()).toBe(all());
  });
});
