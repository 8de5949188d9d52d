import {
  leadsOf,
  leadTerminal,
  turnsOf,
  valueOf,
  withValue,
  type Assembly,
  type Body,
  type Part,
  sayPart,
  sayPlace,
} from '../../assembly';
import { bridge, lazily, trade } from './surgery';
import type { Fault, FaultModel, Variant } from './types';

const withPart = (assembly: Assembly, body: Body, part: Part | undefined, of: string): Assembly => ({
  ...assembly,
  bodies: assembly.bodies.map((each) =>
    each.id === body.id
      ? { ...each, parts: each.parts.flatMap((p) => (p.id === of ? (part ? [part] : []) : [p])) }
      : each,
  ),
});

/** A part of another value, broken or forgotten, bridged, or the wrong way round. */
export const part: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) =>
    body.parts.flatMap((each): Fault[] => {
      const facts = {
        kind: 'part',
        place: body.id,
        look: `Look at ${each.id} in ${sayPlace(body)}.`,
        weight: 1,
        eye: { part: each.id },
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
          `${each.id} is open or was left out`,
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
      const value = valueOf(each);
      return [
        ...shared,
        ...turnsOf(each).map(([one, other], n) =>
          fault(
            n === 0 ? 'part reversed' : `part reversed ${one}`,
            `${each.id} is the wrong way round at ${one} and ${other}`,
            () => ({
              assembly: trade(assembly, body.id, [
                [leadTerminal(each.id, one), leadTerminal(each.id, other)],
              ]),
            }),
            'It was read from its other side.',
          ),
        ),
        // A junction's voltage is its own: another is another part, not a wrong one.
        ...(value === undefined || each.kind === 'led' || each.kind === 'diode'
          ? []
          : [value * 10, value / 10].map((wrong) =>
              fault(
                `part ${wrong}`,
                `${each.id} is ${sayPart(withValue(each, wrong))}, not ${sayPart(each)}`,
                () => ({ assembly: withPart(assembly, body, withValue(each, wrong), each.id) }),
                each.kind === 'resistor' ? 'One colour band was misread.' : 'Another was taken from the bag.',
              ),
            )),
      ];
    }),
  );
