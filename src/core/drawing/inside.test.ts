import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { endsOf, leadsOf, leadTerminal, netlist } from '../assembly';
import { peel, type PeeledEnd } from '.';
import { along } from './curve';

const drawn: readonly (readonly [name: string, end: PeeledEnd, lead: ReturnType<typeof leadOf>])[] =
  EXAMPLES.flatMap((example) => {
    const lead = leadOf(example);
    return endsOf(lead.assembly).flatMap(({ id }) =>
      ([1, -1] as const).flatMap((toward) => {
        const end = peel(lead.assembly, id, { toward });
        return end ? [[`${example.id} ${id} ${toward}`, end, lead] as const] : [];
      }),
    );
  });

const points = (end: PeeledEnd): readonly number[] =>
  [
    ...end.conductors.flatMap(({ curve }) => curve),
    ...end.contacts,
    ...end.parts.flatMap(({ at, legs }) => [at, ...legs.flatMap(({ curve }) => curve)]),
    ...end.air,
  ].flatMap(({ x, y }) => [x, y]);

describe('an end as it lies in the hand: laws of every example, cable to either side', () => {
  it('every place is a number', () => {
    expect(drawn.length).toBeGreaterThan(300);
    for (const [name, end] of drawn) expect(points(end).every(Number.isFinite), name).toBe(true);
  });

  it('a transformer stands nearer to the contacts than what is in line with it, all in two columns at the most', () => {
    const both = drawn.filter(
      ([, { parts }]) => parts.some(({ kind }) => kind === 'transformer') && parts.length > 1,
    );
    let beside = 0;
    for (const [name, { parts, toward, side }] of drawn) {
      expect(side).toBe('solder');
      // From the insert outwards, to the cable.
      const far = (is: boolean): readonly number[] =>
        parts.flatMap(({ kind, at }) => ((kind === 'transformer') === is ? [at.x * toward] : []));
      expect(new Set(parts.map(({ at }) => at.x.toFixed(6))).size, name).toBeLessThanOrEqual(2);
      const small = parts.filter(({ kind, width }) => kind !== 'transformer' && width <= 6);
      if (far(true).length === 0 || small.length === 0) continue;
      beside++;
      expect(Math.max(...far(true)), name).toBeLessThan(Math.min(...small.map(({ at }) => at.x * toward)));
    }
    expect(both.length).toBeGreaterThan(0);
    expect(beside).toBeGreaterThan(0);
  });

  it('every part of a shell, a box or a barrel is drawn once, each of its legs from its body to the point where its joint is', () => {
    let legs = 0;
    for (const [name, end, { assembly }] of drawn) {
      const body = assembly.bodies.find((each) => each.ends.some(({ id }) => id === end.end));
      if (!body) continue;
      expect(end.parts.map(({ part }) => part).sort(), name).toEqual(body.parts.map(({ id }) => id).sort());
      const { netOf } = netlist(assembly);
      for (const part of body.parts) {
        const shown = end.parts.find((each) => each.part === part.id);
        expect(shown?.legs.map(({ terminal }) => terminal).sort()).toEqual(
          leadsOf(part)
            .map((lead) => leadTerminal(part.id, lead))
            .sort(),
        );
        for (const { terminal, curve } of shown?.legs ?? []) {
          legs++;
          const tip = curve[3];
          const contact = end.contacts.find(({ x, y }) => x === tip.x && y === tip.y);
          // By the nets, not by the joint that it was drawn from.
          if (contact)
            expect(netOf.get(contact.terminal)?.name, `${name} ${terminal}`).toBe(netOf.get(terminal)?.name);
          else
            expect(
              end.air.some(({ x, y }) => x === tip.x && y === tip.y),
              `${name} ${terminal}`,
            ).toBe(true);
        }
      }
    }
    expect(legs).toBeGreaterThan(100);
  });

  it('no part lies on another, on the insert, or on the cable', () => {
    for (const [name, { parts, inserts, jackets, toward }] of drawn)
      parts.forEach((one, n) => {
        for (const other of parts.slice(n + 1))
          expect(
            Math.abs(one.at.x - other.at.x) >= (one.length + other.length) / 2 ||
              Math.abs(one.at.y - other.at.y) >= (one.width + other.width) / 2,
            `${name}: ${one.part} and ${other.part}`,
          ).toBe(true);
        expect(one.at.x * toward - one.length / 2, `${name}: ${one.part}`).toBeGreaterThan(inserts[0].half.x);
        for (const { at, half } of inserts.slice(1))
          expect(one.at.x * toward + one.length / 2, `${name}: ${one.part}`).toBeLessThan(
            at.x * toward - half.x,
          );
        for (const jacket of jackets)
          expect(one.at.x * toward + one.length / 2, `${name}: ${one.part}`).toBeLessThan(jacket.x * toward);
      });
  });

  it('no core lies on a contact that is another’s, in a round insert with nothing else inside', () => {
    const lying = drawn.flatMap(([name, { inserts, parts, contacts, conductors }]) =>
      inserts[0].form !== 'round' || parts.length > 0
        ? []
        : conductors.flatMap(({ lands, curve, terminal }) =>
            contacts.some(
              (other) =>
                lands !== undefined &&
                other.terminal !== lands &&
                [0.5, 0.6, 0.7, 0.75, 0.8, 0.85, 0.9, 0.94].some((t) => {
                  const { x, y } = along(curve, t);
                  return Math.hypot(x - other.x, y - other.y) < other.radius;
                }),
            )
              ? [`${name}: ${terminal}`]
              : [],
          ),
    );
    expect(lying).toEqual([]);
  });

  it('a shell round two rows of contacts stands across the cable and holds them all', () => {
    const shells = drawn.filter(([, { inserts }]) => inserts[0].form === 'rows');
    expect(shells.length).toBeGreaterThan(4);
    for (const [name, { inserts, contacts }] of shells) {
      const [{ half }] = inserts;
      expect(half.y, name).toBeGreaterThan(2 * half.x);
      for (const { x, y } of contacts) {
        expect(Math.abs(x), name).toBeLessThan(half.x);
        expect(Math.abs(y), name).toBeLessThan(half.y);
      }
    }
  });

  it('a polarised part shows which way round it lies', () => {
    const marked = drawn.flatMap(([, { parts }]) => parts).filter(({ mark }) => mark);
    expect(new Set(marked.map(({ kind }) => kind))).toEqual(
      new Set(['battery', 'capacitor', 'led', 'diode']),
    );
  });
});
