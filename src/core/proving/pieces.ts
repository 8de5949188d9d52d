import {
  contactsOf,
  contactTerminal,
  endById,
  jointsOf,
  leadsOf,
  leadTerminal,
  spanLengths,
  type Assembly,
  type Body,
  type End,
  type Joint,
  type Part,
  type Terminal,
} from '../assembly';
import { metalOf, partMetal, piecesOf, type Corner, type Metal, type ResistiveElement } from '../model';
import type { Fault, Variant } from './faults';
import { behind, through } from './series';
import { meterOn, type Meter, type Metering, type Touch } from './meter';

/** A lead as a meter sees it, piece by piece: a fault is looked at on the pieces that it touches alone. */
export interface Pieces {
  /** The meter on the lead as designed, its values and its controls standing so. */
  readonly meter: (stand: Stand) => Meter;
  /** Whether a touch meets a piece that a fault has something to do with: it reads as ever elsewhere. */
  readonly touching: (fault: Pick<Fault, 'near'>) => (touch: Touch) => boolean;
  /** The meter on the pieces that a fault touches, once for each size of the fault. */
  readonly faulty: (fault: Pick<Fault, 'near' | 'variants'>) => readonly ((stand: Stand) => Meter)[];
}

/** How a lead stands on the meter: where in their tolerance its values lie, and the turn of its controls. */
export interface Stand {
  readonly corner: Corner;
  readonly turn: number;
  /** The end that a shorting plug is on. */
  readonly shorting?: string;
  /** The end that a proven lead is on. */
  readonly series?: string;
}

interface Changes {
  readonly gone: ReadonlySet<object>;
  readonly joints: readonly Joint[];
  readonly parts: readonly Part[];
  /** Every terminal of what is gone and of what came. */
  readonly terminals: readonly Terminal[];
}

/** What is in the one list and not in the other, by going along both: what stayed is the same object in the same order. */
function difference<Of extends object>(
  before: readonly Of[],
  after: readonly Of[],
): { readonly gone: readonly Of[]; readonly came: readonly Of[] } {
  if (before === after) return { gone: [], came: [] };
  const [gone, came]: [Of[], Of[]] = [[], []];
  let n = 0;
  let k = 0;
  while (n < before.length || k < after.length) {
    const [one, other] = [before[n], after[k]];
    if (one === other) {
      n++;
      k++;
    } else if (one && before[n + 1] === other) {
      gone.push(one);
      n++;
    } else if (other && after[k + 1] === one) {
      came.push(other);
      k++;
    } else {
      if (one) gone.push(one);
      if (other) came.push(other);
      n++;
      k++;
    }
  }
  return { gone, came };
}

const between = (before: Body, after: Body) => ({
  joints: difference(jointsOf(before), jointsOf(after)),
  parts: difference(before.parts, after.parts),
});

/** What a fault changed in a lead; nothing where that is more than joints and parts. */
function changesOf(assembly: Assembly, { assembly: faulty, extra = [] }: Variant): Changes | undefined {
  if (faulty.spans !== assembly.spans || faulty.bodies.length !== assembly.bodies.length) return undefined;
  const changed = faulty.bodies.flatMap((body, n) => {
    const before = assembly.bodies[n];
    return before && before !== body ? [between(before, body)] : [];
  });
  const [gone, joints] = [
    changed.flatMap((each) => each.joints.gone),
    changed.flatMap((each) => each.joints.came),
  ];
  const [out, parts] = [
    changed.flatMap((each) => each.parts.gone),
    changed.flatMap((each) => each.parts.came),
  ];
  return {
    gone: new Set<object>([...gone, ...out]),
    joints,
    parts,
    terminals: [
      ...[...gone, ...joints].flatMap((joint) => joint.terminals),
      ...[...out, ...parts].flatMap((part) => leadsOf(part).map((lead) => leadTerminal(part.id, lead))),
      ...extra.flatMap(({ a, b }) => [a, b]),
    ],
  };
}

/** What is known of a piece, by what it is made of. */
interface Pile {
  readonly joined: Metal['joined'][number][];
  readonly elements: Metal['elements'][number][];
  readonly junctions: Metal['junctions'][number][];
  readonly stores: Metal['stores'][number][];
}

/** What is measured of a lead: the document, what hangs on it that is not its own, and the meter. */
export interface Measured extends Metering {
  readonly assembly: Assembly;
  readonly attached: (corner: Corner) => readonly ResistiveElement[];
  /** The lead as designed, where it is another that is measured: what a proven one is. */
  readonly proven?: Assembly;
}

/** All that a meter sees of a lead that stands so, what hangs on it among it. */
export function metalAt(
  { assembly, attached }: Pick<Measured, 'assembly' | 'attached'>,
  lengths: ReadonlyMap<string, number>,
  { corner, turn, shorting }: Stand,
): Metal {
  const own = metalOf(assembly, { lengths, corner, turn });
  const [first, ...others] = shortedAt(assembly, shorting);
  return {
    ...own,
    elements: [
      ...own.elements,
      ...attached(corner).map((each) => ({ ...each, by: attached })),
      ...others.flatMap((b) => (first === undefined ? [] : [{ a: first, b, ohms: 0, by: attached }])),
    ],
  };
}

/** The contacts that a shorting plug joins: all of an end but its shell. */
export const shortedBy = (assembly: Assembly, end: End): readonly Terminal[] =>
  contactsOf(assembly, end)
    .filter((contact) => contact !== 'shell')
    .map((contact) => contactTerminal(end.id, contact));

/** What a shorting plug on an end makes one. */
function shortedAt(assembly: Assembly, id: string | undefined): readonly Terminal[] {
  const end = id === undefined ? undefined : endById(assembly, id);
  return end ? shortedBy(assembly, end) : [];
}

const joined = (one: Metal, other: Metal): Metal => ({
  joined: [...one.joined, ...other.joined],
  elements: [...one.elements, ...other.elements],
  junctions: [...one.junctions, ...other.junctions],
  stores: [...one.stores, ...other.stores],
});

/** Metal by the pieces that it is on. */
function pilesOf(whole: Metal, piece: (terminal: Terminal) => string): ReadonlyMap<string, Pile> {
  const byPiece = new Map<string, Pile>();
  const at = (terminal: Terminal): Pile => {
    const name = piece(terminal);
    const known = byPiece.get(name) ?? { joined: [], elements: [], junctions: [], stores: [] };
    byPiece.set(name, known);
    return known;
  };
  for (const each of whole.joined)
    if (each.terminals[0] !== undefined) at(each.terminals[0]).joined.push(each);
  for (const each of whole.elements) at(each.a).elements.push(each);
  for (const each of whole.junctions) at(each.a).junctions.push(each);
  for (const each of whole.stores) at(each.a).stores.push(each);
  return byPiece;
}

/** Takes a lead apart into pieces. */
export function piecesFor(measured: Measured): Pieces {
  const { assembly } = measured;
  const lengths = spanLengths(assembly);
  const wholes = remembered((stand: Stand) => metalAt(measured, lengths, stand), keyOf);
  const piece = piecesOf(wholes({ corner: 'marked', turn: MIDDLE }));
  const piles = remembered((stand: Stand) => pilesOf(wholes(stand), piece), keyOf);
  const { proven = assembly } = measured;
  const second = remembered(
    ({ corner, series = '' }: Stand) =>
      behind(proven, metalOf(proven, { lengths: spanLengths(proven), corner }), series),
    keyOf,
  );
  /** The meter on so much metal, and through the proven lead where there is one. */
  const meterAt = (stand: Stand, metal: Metal, extra: readonly ResistiveElement[]): Meter =>
    stand.series === undefined
      ? meterOn(metal, extra, measured)
      : through(meterOn(joined(metal, second(stand)), extra, measured), stand.series);
  const known = new Map<Touch, readonly string[]>();
  const on = (touch: Touch): readonly string[] => {
    const names = known.get(touch) ?? [...new Set([touch.red, ...touch.black].map(piece))];
    known.set(touch, names);
    return names;
  };
  const one = (variant: Variant, near: readonly Terminal[]): ((stand: Stand) => Meter) => {
    const changes = changesOf(assembly, variant);
    if (!changes) {
      const faulty = { ...measured, assembly: variant.assembly };
      return remembered(
        (stand) => meterAt(stand, metalAt(faulty, lengths, stand), variant.extra ?? []),
        keyOf,
      );
    }
    const touched = [...near, ...changes.terminals];
    const isStill = <Of extends { readonly by: object | undefined }>({ by }: Of): boolean =>
      by === undefined || !changes.gone.has(by);
    return remembered((stand) => {
      const involved = [...new Set([...touched, ...shortedAt(assembly, stand.shorting)].map(piece))];
      const here = involved.flatMap((name) => piles(stand).get(name) ?? []);
      const came = changes.parts.map((part) => partMetal(part, stand));
      return meterAt(
        stand,
        {
          joined: [
            ...here.flatMap(({ joined }) => joined.filter(isStill)),
            ...changes.joints.map((joint) => ({ by: joint, terminals: joint.terminals })),
          ],
          elements: [
            ...here.flatMap(({ elements }) => elements.filter(isStill)),
            ...came.flatMap(({ elements }) => elements),
          ],
          junctions: [
            ...here.flatMap(({ junctions }) => junctions.filter(isStill)),
            ...came.flatMap(({ junctions }) => junctions),
          ],
          stores: [
            ...here.flatMap(({ stores }) => stores.filter(isStill)),
            ...came.flatMap(({ stores }) => stores),
          ],
        },
        variant.extra ?? [],
      );
    }, keyOf);
  };
  return {
    meter: remembered((stand) => meterAt(stand, wholes(stand), []), keyOf),
    touching: ({ near }) => {
      const involved = new Set(near.map(piece));
      return (touch) => on(touch).some((name) => involved.has(name));
    },
    faulty: ({ near, variants }) => variants().map((variant) => one(variant, near)),
  };
}

/** Where a control stands that nobody turned. */
const MIDDLE = 0.5;
const keyOf = ({ corner, turn, shorting = '', series = '' }: Stand): string =>
  `${corner} ${turn} ${shorting} ${series}`;

/** What is worked out once for each key. */
function remembered<From, To>(compute: (from: From) => To, key: (from: From) => string): (from: From) => To {
  const known = new Map<string, To>();
  return (from) => {
    const name = key(from);
    if (!known.has(name)) known.set(name, compute(from));
    return known.get(name) as To;
  };
}
