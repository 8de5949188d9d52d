import {
  leadsOf,
  leadTerminal,
  valueOf,
  withValue,
  type Assembly,
  type Body,
  type Part,
  sayPlace,
} from '../../assembly';
import { formatResistance } from '../../quantity';
import { bridge, lazily } from './surgery';
import type { Fault, FaultModel, Variant } from './types';

const withPart = (assembly: Assembly, body: Body, part: Part | undefined, of: string): Assembly => ({
  ...assembly,
  bodies: assembly.bodies.map((each) =>
    each.id === body.id
      ? { ...each, parts: each.parts.flatMap((p) => (p.id === of ? (part ? [part] : []) : [p])) }
      : each,
  ),
});

/** A part of another value, broken, bridged, or a junction the wrong way round. */
export const part: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) =>
    body.parts.flatMap((each): Fault[] => {
      const facts = {
        kind: 'part',
        place: body.id,
        look: `Look at ${each.id} in ${sayPlace(body)}.`,
        weight: 1,
      } as const;
      const fault = (what: string, says: string, variant: () => Variant, cause: string): Fault => ({
        ...facts,
        id: `${what}:${each.id}`,
        says,
        cause,
        remedy: `Fit ${each.id} again.`,
        near: leadsOf(each).map((lead) => leadTerminal(each.id, lead)),
        variants: lazily(() => [variant()]),
      });
      const valueless = withValue(each, undefined);
      const shared = [
        fault(
          'part open',
          `${each.id} is open`,
          () => ({ assembly: withPart(assembly, body, valueless, each.id) }),
          'A joint that has not taken, or a broken lead.',
        ),
        fault(
          'part bridged',
          `${each.id} is bridged`,
          () => ({
            assembly: bridge(
              assembly,
              body.id,
              leadsOf(each)
                .slice(0, 2)
                .map((lead) => leadTerminal(each.id, lead)),
            ),
          }),
          'Its leads touch each other: a sleeve is missing.',
        ),
      ];
      if (each.kind === 'led' || each.kind === 'diode')
        return [
          ...shared,
          fault(
            'part reversed',
            `${each.id} is the wrong way round`,
            () => ({ assembly: exchangeLeads(assembly, body, each) }),
            'The flat or band was read the other way.',
          ),
        ];
      const value = valueOf(each);
      return value === undefined
        ? shared
        : [
            ...shared,
            ...[value * 10, value / 10].map((wrong) =>
              fault(
                `part ${wrong}`,
                `${each.id} is ${formatResistance(wrong)}, not ${formatResistance(value)}`,
                () => ({ assembly: withPart(assembly, body, withValue(each, wrong), each.id) }),
                'One colour band was misread.',
              ),
            ),
          ];
    }),
  );

function exchangeLeads(assembly: Assembly, body: Body, of: Part): Assembly {
  const [anode, cathode] = [leadTerminal(of.id, 'anode'), leadTerminal(of.id, 'cathode')];
  return {
    ...assembly,
    bodies: assembly.bodies.map((each) =>
      each.id !== body.id
        ? each
        : {
            ...each,
            joints: each.joints.map((joint) =>
              joint.terminals.some((t) => t === anode || t === cathode)
                ? {
                    ...joint,
                    terminals: joint.terminals.map((t) =>
                      t === anode ? cathode : t === cathode ? anode : t,
                    ),
                  }
                : joint,
            ),
          },
    ),
  };
}
