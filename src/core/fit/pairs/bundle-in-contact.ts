import { connectorOf, placeOf, type Assembly, type Joint, type Terminal } from '../../assembly';
import { bundleMm, thinned } from '../bundle';
import { sizeOf } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

/** Room for solder round what lies in a cup, mm (nominal). */
const ROOM_FOR_SOLDER = 0.2;
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
          const at = (terminal: Terminal): boolean => {
            const place = placeOf(assembly, terminal);
            return place?.kind === 'contact' && place.end.id === end.id && place.contact === contact.id;
          };
          const here = body.joints.filter(({ terminals }) => terminals.some(at));
          const [how] = here.flatMap((joint) => IN[joint.how] ?? []);
          const wires = here.flatMap(({ terminals, how: made }) => [
            ...terminals.flatMap((each) => wireOf(assembly, each) ?? []),
            ...(made === 'link' ? [{ mm: LINK_WIRE, isScreen: false }] : []),
          ]);
          const { boreMm } = contact;
          if (boreMm === undefined || how === undefined || wires.length === 0) return [];
          const room = contact.takes === 'cup' ? boreMm - ROOM_FOR_SOLDER : boreMm;
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
              ...(verdict === 'fits' ? {} : { todo: remedy(wires, room, contact.takes) }),
            },
          ];
        }),
      ),
    ),
};

/** How much of a screen has to go so that the rest is thin enough, and what that does; or what else to do. */
function remedy(wires: readonly Wire[], room: number, takes: string | undefined): string {
  if (takes === 'lug') return 'Tin it flat and lay it on the lug: it need not go through the hole.';
  const screens = wires.filter(({ isScreen }) => isScreen).map(({ mm }) => mm);
  const others = wires.filter(({ isScreen }) => !isScreen).map(({ mm }) => mm);
  if (takes === 'screw')
    return 'Twist them together bare, or one ferrule over both: never tinned under a screw.';
  if (screens.length === 0)
    return wires.length > 1
      ? 'Twist them together and tin them thin, or join them before the contact and let one go in.'
      : 'Tin it thin and flat, or choose a thinner core.';
  // By steps of a hundredth of the strands, of each screen alike: what the others leave room for.
  for (let percent = 1; percent < 100; percent++) {
    const left = Math.sqrt(1 - percent / 100);
    if (bundleMm([...others, ...screens.map((mm) => mm * left)]) > room) continue;
    const { share, resistance } = thinned(1, left);
    return `Cut about ${Math.ceil((share * 100) / 5) * 5} % of the strands of ${screens.length === 1 ? 'the screen' : 'each screen'}: ${Math.round(resistance * 10) / 10} times its resistance, over a few millimetres.`;
  }
  return 'The others alone are too fat: join them before the contact and let one wire go in.';
}
