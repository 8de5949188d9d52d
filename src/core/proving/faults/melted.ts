import { cableOf, conductorsOf, conductorTerminal, netlist, sayConductor } from '../../assembly';
import { bridge, lazily } from './surgery';
import type { FaultModel, Variant } from './types';

/** A core pushed or melted through its insulation onto the screen, somewhere in the cable. */
export const melted: FaultModel = (assembly) => {
  const { netOf } = netlist(assembly);
  return assembly.spans.flatMap((span) => {
    const across = (body: string, core: string, screen: string): Variant => ({
      assembly: bridge(assembly, body, [
        conductorTerminal(span.id, core, body),
        conductorTerminal(span.id, screen, body),
      ]),
    });
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
            // Anywhere along the cable: from one end of it to the other.
            near: [at(core.id), at(screen.id)],
            variants: lazily(() => [
              across(span.from, core.id, screen.id),
              across(span.to, core.id, screen.id),
            ]),
          })),
      );
  });
};
