import { describe, expect, it } from 'vitest';
import { costOn, LEFT, mayStand, patchOf, weightOf, type Lines } from '../../src/core/sweep';
import { runGlpsol } from '../support/glpsol';
import { stageOf } from '../support/lines';

/** The same stage written another way: who stands where, who is left, and by pair whether they are parted. */
function programOf({ lines, inputs, costs }: Lines): string {
  const may = inputs.map((input) => lines.flatMap((line, l) => (mayStand(input, line) ? [l] : [])));
  const objective: string[] = [];
  const rows: string[] = [];
  const whole: string[] = [];
  inputs.forEach((input, i) => {
    for (const l of may[i] ?? []) {
      const line = lines[l];
      if (line) objective.push(`${costOn(input, line, costs)} x${i}_${l}`);
      whole.push(`x${i}_${l}`);
    }
    objective.push(`${LEFT * weightOf(input)} left${i}`);
    whole.push(`left${i}`);
    rows.push(
      `${(may[i] ?? [])
        .map((l) => `x${i}_${l}`)
        .concat(`left${i}`)
        .join(' + ')} = 1`,
    );
    const j = inputs.findIndex((each, n) => n > i && input.pair !== undefined && each.pair === input.pair);
    if (j < 0) return;
    objective.push(`${costs.pairApart} apart${i}`);
    whole.push(`apart${i}`);
    // Whoever stands has the other beside it, or left, or the pair is parted.
    for (const [a, b] of [
      [i, j],
      [j, i],
    ] as const)
      for (const l of may[a] ?? []) {
        const beside = (may[b] ?? []).filter(
          (k) => Math.abs((lines[k]?.way ?? 0) - (lines[l]?.way ?? 0)) === 1,
        );
        rows.push(
          `${[`left${b}`, `apart${i}`, ...beside.map((k) => `x${b}_${k}`)].join(' + ')} - x${a}_${l} >= 0`,
        );
      }
  });
  lines.forEach((_, l) => {
    const here = inputs.flatMap((__, i) => ((may[i] ?? []).includes(l) ? [`x${i}_${l}`] : []));
    if (here.length > 0) rows.push(`${here.join(' + ')} <= 1`);
  });
  return `Minimize\n cost: ${objective.join('\n + ')}\nSubject To\n${rows.map((row, n) => ` r${n}: ${row}`).join('\n')}\nBinary\n${whole.map((each) => ` ${each}`).join('\n')}\nEnd\n`;
}

const COUNT = 200;

describe('planning anew beside an LP solver', () => {
  it(`${COUNT} stages, from 4 to 24 ways: the same cost`, () => {
    let [ours, theirs] = [0, 0];
    for (let seed = 1; seed <= COUNT; seed++) {
      const ways = 4 + (seed % 21);
      const given = stageOf(seed * 7 + 1, ways, Math.max(2, ways - (seed % 5)));
      const from = performance.now();
      const found = patchOf(given);
      ours += performance.now() - from;
      const { value, ms } = runGlpsol(programOf(given));
      theirs += ms;
      expect(found.optimal, `${seed}`).toBe(true);
      expect(found.cost, `${seed}`).toBeCloseTo(value ?? -1, 5);
    }
    console.info(`planning anew: ${(ours / theirs).toFixed(2)} of the solver’s time`);
  });

  it('two stages of 48 ways: the same cost', () => {
    for (const seed of [401, 402]) {
      const given = stageOf(seed, 48, 44);
      expect(patchOf(given).cost).toBeCloseTo(runGlpsol(programOf(given)).value ?? -1, 5);
    }
  });
});
