// Shows a length while something is dragged. The rule is the core's; both sides run the same vectors to stay equal.

export const perInch = 16256;
export const perMillimetre = 640;

/** The nearest multiple of a step, halves away from zero. All in whole 1/640 mm. */
export function round(units, step) {
  return Math.sign(units) * Math.floor((2 * Math.abs(units) + step) / (2 * step)) * step;
}

/** A length in figures, as on a tape: "61 3/8", "5' 1 3/8\"", "1559". */
export function figures(units, { system, denominator, feet }) {
  if (system === 'mm') {
    return String(round(units, perMillimetre) / perMillimetre);
  }
  const rounded = round(units, perInch / denominator);
  const sign = rounded < 0 ? '-' : '';
  const size = Math.abs(rounded);
  const inches = Math.floor(size / perInch);
  let n = (size % perInch) / (perInch / 128);
  let d = 128;
  while (n !== 0 && n % 2 === 0) {
    n /= 2;
    d /= 2;
  }
  const fraction = n === 0 ? '' : `${n}/${d}`;
  if (feet && inches >= 12) {
    return `${sign}${Math.floor(inches / 12)}' ${inches % 12}${fraction ? ' ' + fraction : ''}"`;
  }
  return sign + (fraction ? (inches ? `${inches} ${fraction}` : fraction) : String(inches));
}
