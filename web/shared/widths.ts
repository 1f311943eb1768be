/** Into how many parts the width of a band is divided; the core allows no column more of them. */
export const PARTS = 12;

const sum = (parts: readonly number[]) => parts.reduce((a, b) => a + b, 0);

/** The widths of the columns of a band in twelfths of it: at least one each, twelve together. */
export function inTwelfths(shares: readonly number[]): number[] {
  const whole = sum(shares);
  const parts = shares.map((share) => Math.max(1, Math.floor((share * PARTS) / whole)));
  for (let left = PARTS - sum(parts); left !== 0; left -= Math.sign(left)) {
    // What rounding left goes to, or comes from, the column whose look it changes least.
    const lacks = (n: number) => ((shares[n] ?? 0) * PARTS) / whole - (parts[n] ?? 0);
    const open = [...parts.keys()].filter((n) => left > 0 || (parts[n] ?? 0) > 1).sort((a, b) => (lacks(b) - lacks(a)) * Math.sign(left));
    const at = open[0] ?? 0;
    parts[at] = (parts[at] ?? 1) + Math.sign(left);
  }
  return parts;
}

/** The twelfths after the line on the right of a column was moved by some of them; no column is left without any. */
export function shifted(parts: readonly number[], column: number, by: number): number[] {
  const [left, right] = [parts[column] ?? 1, parts[column + 1] ?? 1];
  const most = Math.max(1 - left, Math.min(right - 1, by));
  return parts.map((part, n) => (n === column ? left + most : n === column + 1 ? right - most : part));
}

/** The same widths in as few parts as can be: 6 and 6 are 1 and 1. */
export function simplest(parts: readonly number[]): number[] {
  const common = parts.reduce((a, b) => {
    let [x, y] = [a, b];
    while (y > 0) [x, y] = [y, x % y];
    return x;
  }, 0);
  return parts.map((part) => part / common);
}
