import { connectorOf, placeOf, type Assembly, type Body, type Joint, type Terminal } from '../../assembly';
import type { ConnectorContact } from '../../catalogue';
import { bundleMm, thinned } from '../bundle';
import { sizeOf } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

/** Room for solder round what lies in a cup, mm (nominal). */
const ROOM_FOR_SOLDER = 0.2;
/** Of a screen of which more is cut away too little is left to be a return, % (nominal). */
const MOST_CUT = 80;
/** Bare wire for links: a clipped component lead, mm. */
const LINK_WIRE = 0.6;

interface Wire {
  readonly mm: number;
  readonly isScreen: boolean;
}

function wireOf(assembly: Assembly, terminal: Terminal): Wire | undefined {
  const place = placeOf(assembly, terminal);
  if (place?.kind === 'conductor') {
    const { copperMm, is } = place.conductor;
    return copperMm === undefined ? undefined : { mm: copperMm, isScreen: is === 'screen' };
  }
  if (place?.kind === 'lead') return { mm: sizeOf(place.part)?.legMm ?? LINK_WIRE, isScreen: false };
  return undefined;
}

const IN: Partial<Readonly<Record<Joint['how'], string>>> = {
  cup: 'cup',
  tab: 'hole of the tab',
  lug: 'hole of the lug',
  screw: 'screw terminal',
};

/** All the copper that goes into one contact: cores, screens, legs of parts and links, in its bore. */
export const bundleInContact: Pair = {
  id: 'bundle-in-contact',
  what: 'The copper in cup, tab, lug or screw.',
  source: 'enclosing circle √(Σ d²/k) against the bore of the contact’s entry (handbook, section 8)',
  of: (assembly) =>
    assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end) =>
        (connectorOf(assembly, end)?.contacts ?? []).flatMap((contact): Fit[] => {
          const bundle = bundleAt(assembly, body, end.id, contact);
          if (!bundle) return [];
          const { wires, how, boreMm, room } = bundle;
          const has = bundleMm(wires.map(({ mm }) => mm));
          const marginMm = room - has;
          const terminal = `${end.id}.${contact.id}`;
          const verdict = verdictOf(marginMm, 0.1);
          return [
            {
              id: `bundle-${terminal}`,
              pair: 'bundle-in-contact',
              at: end.id,
              says: `${wires.length === 1 ? 'Wire' : `${wires.length} wires`} in the ${how} of ${terminal}`,
              has: figure(has),
              takes: `${boreMm} mm${contact.takes === 'cup' ? ', a little of it for solder' : ''}`,
              marginMm,
              verdict: contact.takes === 'lug' && verdict === 'not' ? 'tight' : verdict,
              ...(verdict === 'fits' ? {} : { todo: remedy(bundle, contact.takes) }),
            },
          ];
        }),
      ),
    ),
};

/** What goes into one contact, and the room for it: mm across. */
interface Bundle {
  readonly wires: readonly Wire[];
  readonly room: number;
}

/** All the copper of a contact of an end, and how it is held; undefined where that is not known, or nothing is. */
function bundleAt(
  assembly: Assembly,
  { joints }: Body,
  end: string,
  { id, boreMm, takes }: ConnectorContact,
): (Bundle & { readonly how: string; readonly boreMm: number }) | undefined {
  const at = (terminal: Terminal): boolean => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'contact' && place.end.id === end && place.contact === id;
  };
  const here = joints.filter(({ terminals }) => terminals.some(at));
  const [how] = here.flatMap((joint) => IN[joint.how] ?? []);
  const wires = here.flatMap(({ terminals, how: made }) => [
    ...terminals.flatMap((each) => wireOf(assembly, each) ?? []),
    ...(made === 'link' ? [{ mm: LINK_WIRE, isScreen: false }] : []),
  ]);
  if (boreMm === undefined || how === undefined || wires.length === 0) return undefined;
  return { wires, how, boreMm, room: takes === 'cup' ? boreMm - ROOM_FOR_SOLDER : boreMm };
}

/** By steps of a hundredth of the strands, of each screen alike: how many in a hundred go so that the rest has room; undefined where none does. */
function percentToCut({ wires, room }: Bundle): number | undefined {
  const screens = wires.filter(({ isScreen }) => isScreen).map(({ mm }) => mm);
  const others = wires.filter(({ isScreen }) => !isScreen).map(({ mm }) => mm);
  for (let percent = 0; percent <= MOST_CUT; percent++) {
    const left = Math.sqrt(1 - percent / 100);
    if (bundleMm([...others, ...screens.map((mm) => mm * left)]) <= room) return percent;
  }
  return undefined;
}

/** A share of strands in words, rounded up to what an eye can tell; and what that does to the resistance. */
function sayThinned(percent: number): { readonly share: string; readonly times: string } {
  const share = Math.ceil(percent / 5) / 20;
  const { resistance } = thinned(1, Math.sqrt(1 - share));
  return {
    share: `${Math.round(share * 100)} %`,
    times: `${Math.round(resistance * 10) / 10} times its resistance, over a few millimetres`,
  };
}

/**
 * How much of the screen of a cable has to be cut away at a body so that it goes into its cup with all that shares it (handbook, section
 * 8), in words: “35 %”, what that does, and whether it is alone there. Undefined where it goes in as it is, or is not known to.
 */
export function screenToThin(
  assembly: Assembly,
  body: Body,
  span: string,
): (ReturnType<typeof sayThinned> & { readonly alone: boolean }) | undefined {
  const shares = body.ends.flatMap((end) =>
    (connectorOf(assembly, end)?.contacts ?? []).flatMap((contact) => {
      if (contact.takes !== 'cup' && contact.takes !== 'tab') return [];
      const isItsOwn = body.joints.some(
        ({ terminals }) =>
          terminals.some((each) => isScreenOf(assembly, each, span)) &&
          terminals.some((each) => {
            const place = placeOf(assembly, each);
            return place?.kind === 'contact' && place.end.id === end.id && place.contact === contact.id;
          }),
      );
      const bundle = isItsOwn ? bundleAt(assembly, body, end.id, contact) : undefined;
      const percent = bundle && percentToCut(bundle);
      return bundle && percent ? [{ percent, alone: bundle.wires.length === 1 }] : [];
    }),
  );
  const [most] = [...shares].sort((a, b) => b.percent - a.percent);
  return most && { ...sayThinned(most.percent), alone: most.alone };
}

const isScreenOf = (assembly: Assembly, terminal: Terminal, span: string): boolean => {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'conductor' && place.span.id === span && place.conductor.is === 'screen';
};

/** How much of a screen has to go so that the rest is thin enough, and what that does; or what else to do. */
function remedy(bundle: Bundle, takes: string | undefined): string {
  if (takes === 'lug') return 'Tin it flat and lay it on the lug: it need not go through the hole.';
  const { wires } = bundle;
  const screens = wires.filter(({ isScreen }) => isScreen);
  if (takes === 'screw')
    return 'Twist them together bare, or one ferrule over both: never tinned under a screw.';
  if (screens.length === 0)
    return wires.length > 1
      ? 'Twist them together and tin them thin, or join them before the contact and let one go in.'
      : 'Tin it thin and flat, or choose a thinner core.';
  const percent = percentToCut(bundle);
  if (percent === undefined)
    return 'With the others there it is too fat: join them before the contact and let one wire go in.';
  // What goes in by a hair is thinned by a little.
  const { share, times } = sayThinned(Math.max(1, percent));
  return `Cut about ${share} of the strands of ${screens.length === 1 ? 'the screen' : 'each screen'}: ${times}.`;
}
