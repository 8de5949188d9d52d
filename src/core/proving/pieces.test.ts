import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { numbers } from '../../../tests/support/circuits';
import { netlist, spanLengths } from '../assembly';
import { operatingPoint } from '../circuit';
import { metalOf } from '../model';
import { ANY_METER, faultsOf } from '.';
import { meterOn } from './meter';
import { piecesFor } from './pieces';

/** Of each lead so many faults, and of each so many pairs. */
const MOST = { faults: 24, pairs: 10 };

describe('a fault looked at on the pieces that it touches', { timeout: 60_000 }, () => {
  it.each(EXAMPLES.map((each) => [each.id, each] as const))(
    '%s: reads what a meter on the whole faulty lead does, between whatever two contacts',
    (_, example) => {
      const { assembly } = leadOf(example);
      const lengths = spanLengths(assembly);
      const next = numbers(example.id.length);
      const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
      const metering = { instrument: ANY_METER, solve: operatingPoint };
      const pieces = piecesFor({ assembly, attached: () => [], ...metering });
      const stand = { corner: pick(['low', 'marked', 'high'] as const), turn: pick([0, 0.5, 1]) };
      const contacts = netlist(assembly).nets.flatMap((net) => net.contacts);
      const faults = faultsOf(assembly);
      if (contacts.length < 2 || faults.length === 0) return;
      for (let n = 0; n < MOST.faults; n++) {
        const fault = pick(faults);
        const touches = pieces.touching(fault);
        const faulty = pieces.faulty(fault);
        fault.variants().forEach((variant, k) => {
          const whole = meterOn(
            metalOf(variant.assembly, { lengths, ...stand }),
            variant.extra ?? [],
            metering,
          );
          for (let pair = 0; pair < MOST.pairs; pair++) {
            const [red, black] = [pick(contacts), pick(contacts)];
            const touch = { red, black: [black] };
            const meter = (touches(touch) ? faulty[k] : undefined) ?? pieces.meter;
            const reads = meter(stand).ohms(touch);
            const expected = whole.ohms(touch);
            if (Number.isFinite(expected)) expect(reads).toBeCloseTo(expected, 6);
            else expect(reads).toBe(expected);
          }
        });
      }
    },
  );
});
