import { fetched, NotFetched } from './fetched';

describe('a part of the program that is fetched', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('is tried once more where it fails', async () => {
    let tries = 0;
    const part = fetched('The part', () => (++tries === 1 ? Promise.reject(new Error('offline')) : Promise.resolve('here')));
    await jest.advanceTimersByTimeAsync(1000);
    expect([await part, tries]).toEqual(['here', 2]);
  });
  it.each([
    ['fails twice', (): Promise<never> => Promise.reject(new Error('offline'))],
    ['never answers', (): Promise<never> => new Promise<never>(() => undefined)],
  ])('says so in words where it %s', async (_, load) => {
    const told = fetched('The map reader', load).catch((error: unknown) => error);
    await jest.advanceTimersByTimeAsync(25_000);
    const error = await told;
    expect(error).toBeInstanceOf(NotFetched);
    expect((error as Error).message).toBe(
      'The map reader could not be loaded. Check your network and try again; nothing you entered is lost.',
    );
  });
});
