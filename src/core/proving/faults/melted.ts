import { cableOf, conductorsOf, conductorTerminal, netlist } from '../../assembly';
import { bridge, sayConductor } from './surgery';
import type { FaultModel } from './types';

/** A core pushed or melted through its insulation onto the screen, somewhere in the cable. */
export const melted: FaultModel = (assembly) => {
  const { netOf } = netlist(assembly);
  return assembly.spans.flatMap((span) => {
    const conductors = conductorsOf(assembly, span);
    const at = (id: string): string => conductorTerminal(span.id, id, span.from);
    return conductors
      .filter((core) => core.is === 'core')
      .flatMap((core) =>
        conductors
          .filter(
            (screen) =>
              screen.is !== 'core' &&
              (screen.pair ?? core.pair) === core.pair &&
              netOf.get(at(screen.id)) !== netOf.get(at(core.id)),
          )
          .map((screen) => ({
            id: `melted:${at(core.id)}~${screen.id}`,
            kind: 'short' as const,
            says: `${sayConductor(assembly, at(core.id))} is shorted to the screen in the cable`,
            place: span.id,
            look: `Look where the jacket was stripped or clamped hot, then along ${cableOf(assembly, span)?.name ?? 'the cable'}.`,
            cause: 'Insulation melted while soldering, or clamped before it had cooled.',
            remedy: 'Cut back past the damage and start that end again.',
            weight: 1,
            variants: [{ assembly: bridge(assembly, span.from, [at(core.id), at(screen.id)]) }],
          })),
      );
  });
};
