import { bodyOfEnd, connectorOf, endById } from '../../core/assembly';
import { solderOrder } from '../../core/bench';
import { strips } from '../../core/cutting';
import { formatLength } from '../../core/quantity';
import { lengthSystem, sayConnector, type Lead } from '../../core/wiring';
import { PeeledEnds } from '../../ui';

const ENDS = ['A', 'B'] as const;

/** Both ends of a lead, peeled and named in the lead's own words, units and order of soldering. */
export function Ends({
  lead: { assembly, schools },
  side = 'solder',
  named = true,
  measured = true,
  lit,
  onTouch,
}: {
  lead: Lead;
  side?: 'solder' | 'mating';
  /** Whether each end is named below it; left out where the drawing is small. */
  named?: boolean;
  /** Whether the length is written between the ends. */
  measured?: boolean;
  lit?: ReadonlySet<string> | undefined;
  onTouch?: ((terminal: string | undefined) => void) | undefined;
}) {
  const perEnd = <T,>(of: (id: string) => T): Record<string, T> =>
    Object.fromEntries(ENDS.map((id) => [id, of(id)]));
  const connectorAt = (id: string) => {
    const end = endById(assembly, id);
    return end && connectorOf(assembly, end);
  };
  const order = perEnd((id) => {
    const body = bodyOfEnd(assembly, id);
    const connector = connectorAt(id);
    return body && connector ? solderOrder(assembly, body, connector, schools).map((joint) => joint.id) : [];
  });
  const says = perEnd((id) => {
    const connector = connectorAt(id);
    return connector
      ? `${sayConnector(connector, schools).split(',')[0]}, ${side === 'solder' ? 'solder side' : 'mating side'}`
      : '';
  });
  const asked = assembly.lengths[0];
  return (
    <PeeledEnds
      assembly={assembly}
      side={side}
      length={asked && measured ? formatLength(asked.mm, lengthSystem(schools)) : ''}
      order={order}
      lit={lit}
      onTouch={onTouch}
      stripMm={Object.fromEntries(strips(assembly, schools).map((strip) => [strip.end, strip.jacketMm]))}
      says={named ? says : undefined}
    />
  );
}
