/**
 * Multinomial logistic regression with a ridge: rows of inputs, a class, a weight, and what is left of each class, by which its
 * likelihood is multiplied.
 */

const softmax = (sums, left) => {
  const most = Math.max(...sums);
  const powers = sums.map((sum, k) => left[k] * Math.exp(sum - most));
  const all = powers.reduce((sum, one) => sum + one, 0);
  return powers.map((one) => one / all);
};

const sumsOf = (weights, inputs) =>
  weights.map((row) => {
    let sum = row[0];
    for (let k = 0; k < inputs.length; k++) sum += row[k + 1] * inputs[k];
    return sum;
  });

const STEPS = 400;
const RATE = 0.5;
const MOMENTUM = 0.95;
/** Powers beyond this are all the same, and never infinite. */
const HIGHEST = 300;

/** The weights that lose least, −ln of what the true class is given, on the mean, plus the ridge; the first of each row is the bias. */
export function fitted(rows, classes, ridge) {
  const width = rows[0].inputs.length + 1;
  const size = classes * width;
  const inputs = Float64Array.from(rows.flatMap((row) => [1, ...row.inputs]));
  const classOf = Int32Array.from(rows, ({ of }) => of);
  const all = rows.reduce((sum, { weight }) => sum + weight, 0);
  const shares = Float64Array.from(rows, ({ weight }) => weight / all);
  const left = Float64Array.from(rows.flatMap((row) => row.left));
  const [weights, speeds, slopes, given] = [size, size, size, classes].map((length) => new Float64Array(length));
  // The step that a squared loss of inputs of this size allows.
  const rate = RATE / (inputs.reduce((sum, one) => sum + one * one, 0) / rows.length / 4);
  for (let step = 0; step < STEPS; step++) {
    for (let k = 0; k < size; k++) slopes[k] = k % width === 0 ? 0 : ridge * weights[k];
    for (let n = 0; n < classOf.length; n++) {
      const allowed = left.subarray(n * classes, (n + 1) * classes);
      addSlopes(inputs, n * width, width, weights, given, allowed, classOf[n], shares[n], slopes);
    }
    for (let k = 0; k < size; k++) {
      speeds[k] = MOMENTUM * speeds[k] - rate * slopes[k];
      weights[k] += speeds[k];
    }
  }
  return Array.from({ length: classes }, (_, c) => weights.slice(c * width, (c + 1) * width));
}

/** What one row adds to the slopes of the loss: by class, what it is given less what it should be, times each input. */
function addSlopes(inputs, from, width, weights, given, allowed, trueClass, share, slopes) {
  const classes = given.length;
  let all = 0;
  for (let c = 0; c < classes; c++) {
    let sum = 0;
    const row = c * width;
    for (let k = 0; k < width; k++) sum += weights[row + k] * inputs[from + k];
    given[c] = allowed[c] * Math.exp(Math.min(HIGHEST, sum));
    all += given[c];
  }
  for (let c = 0; c < classes; c++) {
    const off = (given[c] / all - (c === trueClass ? 1 : 0)) * share;
    const row = c * width;
    for (let k = 0; k < width; k++) slopes[row + k] += off * inputs[from + k];
  }
}

/** Packages are left out in so many turns, whole. */
const TURNS = 6;

/**
 * What rows are given by weights that were fitted on the photographs of other packages: by other photographers, of other sizes, as
 * those will be that nobody has seen.
 */
export function crossFitted(rows, classes, ridge) {
  const packages = [...new Set(rows.map(({ name }) => name.split('/')[0]))];
  const turnOf = ({ name }) => packages.indexOf(name.split('/')[0]) % TURNS;
  return Array.from({ length: TURNS }, (_, turn) => {
    const others = rows.filter((row) => turnOf(row) !== turn);
    const weights = fitted(others, classes, ridge);
    return rows.filter((row) => turnOf(row) === turn).map((row) => ({ ...row, sums: sumsOf(weights, row.inputs) }));
  }).flat();
}

export const likelihoodsAt = ({ sums, left }, temperature) =>
  softmax(
    sums.map((sum) => sum / temperature),
    left,
  );

/** By how much sums are too sure of themselves: what they are divided by so that rows left out lose least. */
export function temperatureOf(given) {
  const tried = Array.from({ length: 21 }, (_, k) => 0.8 + 0.1 * k);
  const loss = (temperature) => lossOf(given.map((row) => ({ ...row, found: likelihoodsAt(row, temperature) })));
  return tried.reduce((best, one) => (loss(one) < loss(best) ? one : best));
}

export const lossOf = (given) =>
  given.reduce((sum, { found, of, weight }) => sum - weight * Math.log(Math.max(1e-9, found[of])), 0) /
  given.reduce((sum, { weight }) => sum + weight, 0);
