/** What so large a part of the numbers is at most, between two of them by straight line; `NaN` of none. */
export function quantile(all: readonly number[], part: number): number {
  const sorted = [...all].sort((a, b) => a - b);
  const at = (sorted.length - 1) * part;
  const [low, high] = [sorted[Math.floor(at)] ?? NaN, sorted[Math.ceil(at)] ?? NaN];
  return low + (high - low) * (at - Math.floor(at));
}
