import {
  conductorTerminal,
  contactsOf,
  contactTerminal,
  leadTerminal,
  netlist,
  placeOf,
  type Assembly,
  type Part,
  type Terminal,
} from '../assembly';
import { legsOf } from '../model';
import type { Probe } from './check';
import type { Instrument } from './instrument';
import type { Touch } from './meter';
import { groupProbe, pairProbe } from './probe';

/** The same conductor at the other side of its span. */
const farSide = (assembly: Assembly, at: Terminal): Terminal | undefined => {
  const place = placeOf(assembly, at);
  if (place?.kind !== 'conductor') return undefined;
  const { span, body, conductor } = place;
  return conductorTerminal(span.id, conductor.id, span.from === body.id ? span.to : span.from);
};

/**
 * What is probed while a body is still open, because nothing reaches it once it is closed: each end of what was left unjoined, against where it is joined at
 * its other side, and against all that it must not touch.
 */
export function stumpProbes(assembly: Assembly, isOpen: (touch: Touch) => boolean): readonly Probe[] {
  const { netOf } = netlist(assembly);
  const left = new Set(assembly.unjoined.map(({ at }) => at));
  return assembly.unjoined.flatMap(({ at }, n) => {
    const body = placeOf(assembly, at)?.body;
    if (!body) return [];
    const setting = { before: body.id };
    const net = netOf.get(at);
    const far = farSide(assembly, at);
    // Where it is joined over there, the contact beside it is the nearest that is on the same net, else the one over there.
    const own = body.ends.flatMap((end) =>
      contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)),
    );
    const joined = own.find((each) => netOf.get(each) === net) ?? net?.contacts[0];
    const beside = [
      ...own,
      ...assembly.unjoined
        .slice(n + 1)
        .map((each) => each.at)
        .filter((each) => placeOf(assembly, each)?.body === body),
    ].filter((each) => netOf.get(each) !== net && isOpen({ red: at, black: [each] }));
    return [
      ...(joined !== undefined && far !== undefined && !left.has(far)
        ? [pairProbe(assembly, 'path', at, joined, setting)]
        : []),
      ...(beside.length > 0 ? [groupProbe(assembly, 'short', at, beside, setting)] : []),
    ];
  });
}

/** A part on the meter by its own legs, before the body that it sits in is closed; as far as this meter can. */
export const legProbes = (
  assembly: Assembly,
  part: Part,
  body: string,
  { diodeVolts, capacitance }: Pick<Instrument, 'diodeVolts' | 'capacitance'>,
): readonly Probe[] =>
  legsOf(part)
    .filter(({ mode }) =>
      mode === 'diode' ? diodeVolts !== undefined : mode === 'capacitance' ? capacitance : true,
    )
    .map(({ red, black, mode }) =>
      pairProbe(assembly, 'part', leadTerminal(part.id, red), leadTerminal(part.id, black), {
        before: body,
        ...(mode ? { mode } : {}),
      }),
    );
