import { isAsBright, lampsIn, partsOf, plugged } from './built';
import type { Situation } from '../../situation';
import type { Assembly } from '../../assembly';
import type { TestKind, Tried } from './types';

/** A test by what its lamps do, with the supply on. */
function byLamps(
  assembly: Assembly,
  situation: Situation,
  kind: 'led' | 'lamp',
  trial: Tried['trial'],
): readonly Tried[] {
  const lamps = (built: Tried['answers'] extends (b: infer B) => unknown ? B : never) =>
    lampsIn(
      plugged(built, situation, assembly, { supplies: true }).circuit,
      partsOf(built.assembly).filter((part) => part.kind === kind),
    );
  const should = lamps({ assembly });
  if (!should || should.size === 0) return [];
  return [
    {
      trial,
      answers(built) {
        const now = lamps(built);
        return now && [...should].every(([id, amps]) => isAsBright(now.get(id) ?? 0, amps));
      },
    },
  ];
}

/** Lamps in a plug, on a line whose phantom is known to be on. */
export const phantomLamps: TestKind = (assembly, situation) => {
  const line = situation?.channels.find(({ port }) => port.phantom === 'gives');
  const count = partsOf(assembly).filter(({ kind }) => kind === 'led').length;
  if (!situation || !line || count === 0) return [];
  return byLamps(assembly, situation, 'led', {
    id: 'test:lamps',
    kind: 'test',
    says: `Plug it into a line whose phantom (${line.port.supply ?? 'P48'}) is known to be on: ${count === 1 ? 'the lamp lights' : count === 2 ? 'both lamps light, one as bright as the other' : 'all lamps light, one as bright as the other'}.`,
    caution: 'Mute that channel first.',
  });
};

/** A lamp that lights when the tips of two probes touch. */
export const tipLamp: TestKind = (assembly, situation) => {
  const isTester = situation?.channels.some(({ port }) => port.signal === 'test');
  const kind = partsOf(assembly).find((part) => part.kind === 'lamp' || part.kind === 'led')?.kind;
  const hasCells = partsOf(assembly).some((part) => part.kind === 'battery');
  if (!situation || !isTester || !hasCells || (kind !== 'lamp' && kind !== 'led')) return [];
  return byLamps(assembly, situation, kind, {
    id: 'test:tips',
    kind: 'test',
    says: 'Cells in, touch the tips together: the lamp lights as bright as it does by its own switch; apart, it is dark. It proves “not open” only.',
  });
};
