import {
  bodyById,
  joinedPoints,
  netlist,
  placeOf,
  type Assembly,
  type Body,
  type Joint,
  type Terminal,
  ofCable,
  sayConductor,
  sayPlace,
} from '../../assembly';
import { capital } from '../../quantity';
import { bare, conductorsIn, contactIn, exchange, lazily } from './surgery';
import type { Fault, FaultModel } from './types';

/** Conductors that sit together on one joint. */
interface Seat {
  readonly joint: Joint;
  readonly conductors: readonly Terminal[];
}

/** What is said of a seat, once for all that it may be crossed with. */
interface SaidSeat extends Seat {
  readonly contact: Terminal | undefined;
  /** Its conductors and its contact in words. */
  readonly says: string;
  readonly on: string;
  readonly isCores: boolean;
  readonly far: ReturnType<typeof farSeat>;
}

const seats = (assembly: Assembly, body: Body): readonly SaidSeat[] =>
  body.joints
    .map((joint) => ({ joint, conductors: conductorsIn(assembly, joint) }))
    .filter((seat) => seat.conductors.length > 0)
    .map((seat) => {
      const contact = contactIn(assembly, seat.joint);
      return {
        ...seat,
        contact,
        says: sayAll(assembly, seat.conductors),
        on: bare(contact),
        isCores: seat.conductors.every((terminal) => isCore(assembly, terminal)),
        far: farSeat(assembly, seat),
      };
    });

const isCore = (assembly: Assembly, terminal: Terminal): boolean => {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'conductor' && place.conductor.is === 'core';
};

/** The same conductors at the far side of their spans, where they sit together there too. */
function farSeat(assembly: Assembly, seat: Seat): { readonly body: Body; readonly seat: Seat } | undefined {
  const far = seat.conductors.map((terminal) => {
    const place = placeOf(assembly, terminal);
    const body =
      place?.kind === 'conductor'
        ? place.span.from === place.body.id
          ? place.span.to
          : place.span.from
        : '';
    return { body, terminal: terminal.replace(/@.*$/, `@${body}`) };
  });
  const body = bodyById(assembly, far[0]?.body ?? '');
  const joint = body?.joints.find((each) => far.every(({ terminal }) => each.terminals.includes(terminal)));
  return body && joint && joint.how !== 'continues'
    ? { body, seat: { joint, conductors: far.map(({ terminal }) => terminal) } }
    : undefined;
}

const sayAll = (assembly: Assembly, terminals: readonly Terminal[]): string =>
  [...new Set(terminals.map((terminal) => sayConductor(assembly, terminal).replace(/ \(.*\)$/, '')))].join(
    ' and ',
  );

/**
 * Conductors on each other's contacts: all of two joints, at one end or alike at both; and, where several cores share a
 * contact, one core of each exchanged, which joins the two contacts through the cable.
 */
export const crossed: FaultModel = (assembly) => {
  const metal = joinedPoints(assembly);
  return assembly.bodies.flatMap((body) => {
    const all = seats(assembly, body).map((seat) => ({
      seat,
      metal: metal.find(seat.joint.terminals[0] ?? ''),
    }));
    return all.flatMap((one, n) =>
      all
        .slice(n + 1)
        // On what is one metal already it makes no difference which is where.
        .filter((other) => one.metal !== other.metal)
        .flatMap((other) => [
          ...whole(assembly, body, one.seat, other.seat),
          ...single(assembly, body, one.seat, other.seat),
        ]),
    );
  });
};

function whole(assembly: Assembly, body: Body, one: SaidSeat, other: SaidSeat): readonly Fault[] {
  const kind = one.isCores && other.isCores ? 'reversed' : 'crossed';
  const alike = one.says === other.says;
  const [first, second] = [one, other].map(({ says, conductors }) =>
    alike ? `${says}${ofCable(assembly, conductors[0] ?? '')}` : says,
  ) as [string, string];
  const [here, there] = [one.on, other.on];
  const id = `${one.conductors[0]}~${other.conductors[0]}`;
  const once = lazily(() => exchange(assembly, body.id, one, other));
  const near = [...one.joint.terminals, ...other.joint.terminals];
  const facts = {
    kind,
    eye: { conductors: [...one.conductors, ...other.conductors] },
    cause:
      kind === 'reversed'
        ? 'The colours were taken the other way round.'
        : 'The solder side was read as the mating face: numbers swap sides.',
    remedy: `Put ${first} on ${here} and ${second} on ${there}.`,
  } as const;
  const [oneFar, otherFar] = [one.far, other.far];
  const twice: readonly Fault[] =
    oneFar && otherFar && oneFar.body === otherFar.body && body.id < oneFar.body.id
      ? [
          {
            ...facts,
            id: `${kind} twice:${id}`,
            says: `${capital(first)} and ${second} are swapped alike at both ends`,
            place: `${body.id}+${oneFar.body.id}`,
            look: 'Look at the colours at both ends.',
            weight: 0.5,
            near: [...near, ...oneFar.seat.joint.terminals, ...otherFar.seat.joint.terminals],
            variants: lazily(() => [
              { assembly: exchange(once(), oneFar.body.id, oneFar.seat, otherFar.seat) },
            ]),
          },
        ]
      : [];
  return [
    {
      ...facts,
      id: `${kind}:${id}`,
      says: `${one.contact && other.contact ? `${here} and ${there}` : `${capital(first)} and ${second}`} are ${kind} at one end`,
      place: body.id,
      look: `Look for ${first} on ${there} in ${sayPlace(body)}.`,
      weight: 2,
      near,
      variants: lazily(() => [{ assembly: once() }]),
    },
    ...twice,
  ];
}

function single(assembly: Assembly, body: Body, one: SaidSeat, other: SaidSeat): readonly Fault[] {
  if (one.conductors.length === 1 && other.conductors.length === 1) return [];
  const [onto, beside] = [one.contact, other.contact];
  const [here, there] = [one.on, other.on];
  return one.conductors.flatMap((a) =>
    other.conductors.map((b): Fault => {
      const [first, second] = [sayConductor(assembly, a), sayConductor(assembly, b)];
      const swapped = exchange(
        assembly,
        body.id,
        { joint: one.joint, conductors: [a] },
        { joint: other.joint, conductors: [b] },
      );
      const { netOf } = netlist(swapped);
      const joins = onto !== undefined && beside !== undefined && netOf.get(onto) === netOf.get(beside);
      const kind = isCore(assembly, a) && isCore(assembly, b) ? 'reversed' : 'crossed';
      return {
        id: `exchanged:${a}~${b}`,
        kind: joins ? 'crossed' : kind,
        says: joins
          ? `One conductor of ${here} and one of ${there} are exchanged at one end, which joins ${here} and ${there}`
          : `${here} and ${there} are ${kind} at one end`,
        place: body.id,
        look: `Look for ${first} on ${there} in ${sayPlace(body)}.`,
        cause: joins
          ? 'Twins of two pairs were taken for one pair.'
          : 'The colours were taken the other way round.',
        remedy: `Put ${first} on ${here} and ${second} on ${there}.`,
        weight: 1,
        eye: { conductors: [a, b] },
        near: [...one.joint.terminals, ...other.joint.terminals],
        variants: () => [{ assembly: swapped }],
      };
    }),
  );
}
