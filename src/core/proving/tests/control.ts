import { gains, partsOf, plugged } from './built';
import type { TestKind } from './types';

/** At the bottom nothing is heard: less than this of what comes fully up. */
const BOTTOM = 0.02;
/** Both channels of a control are as loud as each other within this, a ratio (3 dB: from memory). */
const APART = Math.SQRT2;
const TURNS = [0.25, 0.5, 0.75, 1] as const;

/** A control by ear: nothing at the bottom, and both channels alike and rising on the way up. */
export const controlTests: TestKind = (assembly, situation) => {
  if (!situation || !partsOf(assembly).some(({ kind }) => kind === 'potentiometer')) return [];
  const at = (turn: number, built: Parameters<ReturnType<TestKind>[number]['answers']>[0]) =>
    gains(plugged(built, situation, assembly, { turn }))?.map((each) => Math.max(...each));
  return [
    {
      trial: {
        id: 'test:control',
        kind: 'test',
        says: 'Play music, low first: nothing is heard with the control fully down; on the way up it rises without a jump or a crackle, both channels alike.',
        caution: 'Start low: headphones off the ears until it is heard to be low.',
      },
      answers(built) {
        const full = at(1, built);
        const down = at(0, built);
        if (!full || !down) return undefined;
        const steps = TURNS.map((turn) => at(turn, built) ?? []);
        const rises = full.every((_, n) =>
          steps.every((step, k) => k === 0 || (step[n] ?? 0) > (steps[k - 1]?.[n] ?? 0)),
        );
        const alike = steps.every((step) => Math.max(...step) < Math.min(...step) * APART);
        return rises && alike && down.every((level, n) => level < BOTTOM * (full[n] ?? 0));
      },
    },
  ];
};
