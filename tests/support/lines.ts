import type { Lines } from '../../src/core/sweep';

/** Numbers from 0 to 1, the same for a seed (mulberry32). */
export function random(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A stage of so many ways, and so many inputs, some of them pairs, most of them on a printed way. */
export function stageOf(seed: number, ways: number, count: number): Lines {
  const next = random(seed);
  const pick = <T>(...all: readonly T[]): T => all[Math.floor(next() * all.length)] as T;
  // Some stages leave a way out of the count.
  const numbers = Array.from({ length: ways }, (_, n) => n + 1 + (n >= ways / 2 && seed % 3 === 0 ? 1 : 0));
  const printed = [...numbers];
  const inputs: Lines['inputs'][number][] = [];
  for (let n = 0; inputs.length < count; n++) {
    const isPair = next() < 0.45 && inputs.length + 2 <= count;
    for (const side of isPair ? ['L', 'R'] : ['']) {
      const way =
        next() < 0.85
          ? printed.splice(isPair && side === 'R' ? 0 : Math.floor(next() * printed.length * 0.3), 1)[0]
          : undefined;
      inputs.push({
        id: `${n}${side}`,
        ...(way === undefined ? {} : { way }),
        weight: pick(1, 1, 2, 3, 5),
        ...(isPair ? { pair: `pair ${n}` } : {}),
        ...(next() < 0.3 ? { phantom: next() < 0.5 } : {}),
      });
    }
  }
  return {
    version: 1,
    lines: numbers.map((way) => ({
      way,
      state: pick('good', 'good', 'good', 'good', 'bad', 'unknown'),
      ...(next() < 0.1 ? { phantom: true } : {}),
    })),
    inputs,
    costs: { move: pick(1, 2), onUnknown: pick(2, 5, 0.5), pairApart: pick(1, 3, 7) },
  };
}
