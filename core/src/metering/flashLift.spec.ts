import { liftShutterS, liftWindow, powerAt } from './flashLift.js';

describe('a lift by flash under a dusky sky', () => {
  // EV 8 at 18:30 falling by 0.22 a minute, nothing known before.
  const skyEv = Float32Array.from({ length: 1440 }, (_, minute) => (minute < 1100 ? NaN : 8 - 0.22 * (minute - 1110)));
  const question = { fNumber: 4, iso: 400, syncS: 1 / 256, slowestS: 1 / 32, skyToneEv: -1, skyEv };
  it('lasts while the sky’s time lies between the sync and the hands: from EV 9 to EV 6', () => {
    // log2(16·256) − 2 − 1 = 9, log2(16·32) − 2 − 1 = 6.
    const found = liftWindow(question);
    expect(found).toMatchObject({ brightestEv: 9, darkestEv: 6 });
    // From 8 − 0.22·(m − 1110) ≤ 9: m ≥ 1105.5; to ≥ 6: m ≤ 1119.1; 7.5 at 1112.3.
    expect(found).toMatchObject({ span: { fromMin: 1106, toMin: 1119 }, balanceMin: 1112 });
  });
  it('is the evening’s where the sky passes twice, and none where it never does', () => {
    const twice = Float32Array.from({ length: 1440 }, (_, minute) => (minute < 720 ? (minute - 360) / 20 : (1080 - minute) / 20));
    const evening = liftWindow({ ...question, skyEv: twice }).span;
    expect(evening?.fromMin).toBeGreaterThan(720);
    // The morning after is no evening either.
    const night = Float32Array.from({ length: 2160 }, (_, minute) =>
      minute < 1440 ? (twice[minute] as number) : (minute - 1800) / 20,
    );
    expect(liftWindow({ ...question, skyEv: night }).span).toEqual(evening);
    expect(liftWindow({ ...question, skyEv: new Float32Array(1440).fill(12) })).toMatchObject({ span: null, balanceMin: null });
  });
  it('takes 1/256 where the sky is at its brightest', () => expect(liftShutterS(question, 9)).toBeCloseTo(1 / 256, 12));
  it('needs a power that the flash has: a quarter at half its reach, nothing beyond it, nor too near', () => {
    const of = { fNumber: 4, iso: 100, guideNumberM: 20, toneEv: 0 };
    expect(powerAt(2.5, of)).toEqual({ power: 0.25, can: 'give' });
    expect(powerAt(5, of)).toEqual({ power: 1, can: 'give' });
    expect(powerAt(5.1, of).can).toBe('tooFar');
    expect(powerAt(0.4, of).can).toBe('tooNear');
  });
});
