import { cableOf, conductorsOf, conductorTerminal, type Terminal } from '../../assembly';
import type { FaultModel } from './types';

/** A conductive layer that was not peeled back leaks from core to screen, Ω (from memory). */
const LEAK = [5e3, 5e6] as const;

export const leak: FaultModel = (assembly) =>
  assembly.spans.flatMap((span) => {
    if (!cableOf(assembly, span)?.conductiveLayer) return [];
    const [core, screen] = [
      conductorsOf(assembly, span).find((c) => c.is === 'core'),
      conductorsOf(assembly, span).find((c) => c.is !== 'core'),
    ];
    if (!core || !screen) return [];
    return [span.from, span.to].map((body) => {
      const [a, b] = [core, screen].map(({ id }) => conductorTerminal(span.id, id, body)) as [
        Terminal,
        Terminal,
      ];
      return {
        id: `leak:${a}`,
        kind: 'leak' as const,
        says: 'The core leaks to the screen',
        place: body,
        look: 'Look for black conductive layer left on the core insulation beside the joint.',
        cause: 'The conductive layer was not peeled back far enough.',
        remedy: 'Peel it back 5 mm clear of the joint.',
        weight: 1,
        fromNothing: true as const,
        near: [a, b],
        variants: () => LEAK.map((ohms) => ({ assembly, extra: [{ a, b, ohms }] })),
      };
    });
  });
