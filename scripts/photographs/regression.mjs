/** Multinomial logistic regression with a ridge: rows of inputs, a class and a weight for each. */

const softmax = (sums) => {
  const most = Math.max(...sums);
  const powers = sums.map((sum) => Math.exp(sum - most));
  const all = powers.reduce((sum, one) => sum + one, 0);
  return powers.map((one) => one / all);
};

const sumsOf = (weights, inputs) =>
  weights.map((row) => {
    let sum = row[0];
    for (let k = 0; k < inputs.length; k++) sum += row[k + 1] * inputs[k];
    return sum;
  });

const STEPS = 800;
const RATE = 0.5;
const MOMENTUM = 0.95;

/** The weights that lose least, −ln of what the true class is given, on the mean, plus the ridge; the first of each row is the bias. */
export function fitted(rows, classes, ridge) {
  const width = rows[0].inputs.length + 1;
  const flat = Float64Array.from(rows.flatMap(({ inputs }) => [1, ...inputs]));
  const weights = Array.from({ length: classes }, () => new Float64Array(width));
  const speeds = Array.from({ length: classes }, () => new Float64Array(width));
  const slopes = Array.from({ length: classes }, () => new Float64Array(width));
  const sums = Array(classes).fill(0);
  // The step that a squared loss of inputs of this size allows.
  const rate = RATE / (flat.reduce((sum, one) => sum + one * one, 0) / rows.length / 4);
  const all = rows.reduce((sum, { weight }) => sum + weight, 0);
  for (let step = 0; step < STEPS; step++) {
    slopes.forEach((row, c) => row.forEach((_, k) => (row[k] = k === 0 ? 0 : ridge * weights[c][k])));
    for (let n = 0; n < rows.length; n++) {
      const at = n * width;
      for (let c = 0; c < classes; c++) {
        let sum = 0;
        for (let k = 0; k < width; k++) sum += weights[c][k] * flat[at + k];
        sums[c] = sum;
      }
      const found = softmax(sums);
      for (let c = 0; c < classes; c++) {
        const off = ((found[c] - (c === rows[n].of ? 1 : 0)) * rows[n].weight) / all;
        for (let k = 0; k < width; k++) slopes[c][k] += off * flat[at + k];
      }
    }
    for (let c = 0; c < classes; c++) {
      for (let k = 0; k < width; k++) {
        speeds[c][k] = MOMENTUM * speeds[c][k] - rate * slopes[c][k];
        weights[c][k] += speeds[c][k];
      }
    }
  }
  return weights;
}

const packageOf = ({ name }) => name.split('/')[0];

/**
 * What rows are given by weights that were fitted on the photographs of all other packages: by other photographers, of other sizes,
 * as those will be that nobody has seen.
 */
export function crossFitted(rows, classes, ridge) {
  return [...new Set(rows.map(packageOf))].flatMap((left) => {
    const weights = fitted(
      rows.filter((row) => packageOf(row) !== left),
      classes,
      ridge,
    );
    return rows.filter((row) => packageOf(row) === left).map((row) => ({ ...row, sums: sumsOf(weights, row.inputs) }));
  });
}

export const likelihoodsAt = (sums, temperature) => softmax(sums.map((sum) => sum / temperature));

/** By how much sums are too sure of themselves: what they are divided by so that rows left out lose least. */
export function temperatureOf(given) {
  const tried = Array.from({ length: 21 }, (_, k) => 0.8 + 0.1 * k);
  const loss = (temperature) => lossOf(given.map((row) => ({ ...row, found: likelihoodsAt(row.sums, temperature) })));
  return tried.reduce((best, one) => (loss(one) < loss(best) ? one : best));
}

export const lossOf = (given) =>
  given.reduce((sum, { found, of, weight }) => sum - weight * Math.log(Math.max(1e-9, found[of])), 0) /
  given.reduce((sum, { weight }) => sum + weight, 0);
