import { bad, good, type Problem, type Result } from '../quantity';
import type { ColourCode } from './colours';
import type { CableConductor, CableEntry, ConnectorEntry, ContactPlace } from './entries';

/** How the contacts of a connector of one's own lie on its mating face, mm; seen with its key up. */
export type Arrangement =
  /** Evenly round a circle, clockwise from the angle of the first: 0° is at three o'clock, 90° at the top. */
  | { readonly kind: 'circle'; readonly radiusMm: number; readonly firstDegrees: number }
  /** In rows from the upper left. */
  | { readonly kind: 'grid'; readonly columns: number; readonly pitchMm: number }
  | { readonly kind: 'hand'; readonly places: readonly ContactPlace[] };

/** A connector as its user describes it. */
export interface OwnConnector {
  readonly name: string;
  readonly gender: ConnectorEntry['gender'];
  readonly contacts: readonly string[];
  readonly arrangement: Arrangement;
  readonly insertRadiusMm: number;
  readonly boreMm: number;
  readonly shell: boolean;
  /** What has to be on the cable before soldering, first on first. */
  readonly threadOn: readonly string[];
  readonly cableMm: { readonly min: number; readonly max: number };
  /** Jacket taken off, and copper bared, mm. */
  readonly jacketMm: number;
  readonly bareMm: number;
  /** From the mating face to the jacket's edge inside, mm. */
  readonly reachMm: number;
}

/** “Old talkback 7” → `old-talkback-7`. */
export const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40);

const round = (value: number): number => Math.round(value * 100) / 100 || 0;

/** Where each contact lies, mm from the centre of the mating face. */
export function arrange(contacts: readonly string[], arrangement: Arrangement): readonly ContactPlace[] {
  switch (arrangement.kind) {
    case 'circle':
      return contacts.map((contact, n) => {
        const angle = ((arrangement.firstDegrees - (360 / contacts.length) * n) * Math.PI) / 180;
        return {
          contact,
          x: round(arrangement.radiusMm * Math.cos(angle)),
          y: round(arrangement.radiusMm * Math.sin(angle)),
        };
      });
    case 'grid': {
      const columns = Math.max(1, Math.min(arrangement.columns, contacts.length));
      const rows = Math.ceil(contacts.length / columns);
      return contacts.map((contact, n) => ({
        contact,
        x: round(((n % columns) - (columns - 1) / 2) * arrangement.pitchMm),
        y: round(((rows - 1) / 2 - Math.floor(n / columns)) * arrangement.pitchMm),
      }));
    }
    case 'hand':
      return contacts.map(
        (contact) => arrangement.places.find((place) => place.contact === contact) ?? { contact, x: 0, y: 0 },
      );
  }
}

/** The catalogue entry of a connector of one's own, or what is wrong with its description by field. */
export function ownConnector(own: OwnConnector): Result<ConnectorEntry> {
  const problems: Problem[] = [];
  const report = (path: string, says: string): void =>
    void problems.push({ code: `own.${path}`, says, path });
  const id = slug(own.name);
  if (id === '') report('name', 'The connector needs a name: what you call it at the bench.');
  if (own.contacts.length === 0) report('contacts', 'Name its contacts, apart by spaces: 1 2 3.');
  if (own.contacts.length > 64) report('contacts', 'More than 64 contacts: check the list.');
  if (new Set(own.contacts).size < own.contacts.length)
    report('contacts', 'Two contacts have the same name.');
  const strange = own.contacts.find((contact) => !/^[A-Za-z0-9+_-][A-Za-z0-9+_-]*$/.test(contact));
  if (strange !== undefined)
    report('contacts', `“${strange}” cannot be a contact’s name: use letters, digits, + and -.`);
  for (const [path, value, what] of [
    ['insertRadiusMm', own.insertRadiusMm, 'The insert’s radius'],
    ['boreMm', own.boreMm, 'The bore of its cups or tabs'],
    ['jacketMm', own.jacketMm, 'The jacket to take off'],
    ['bareMm', own.bareMm, 'The copper to bare'],
    ['reachMm', own.reachMm, 'The way from its face to the jacket'],
  ] as const)
    if (!(value > 0 && value <= 300)) report(path, `${what} has to be a length of more than nothing.`);
  if (!(own.cableMm.min > 0 && own.cableMm.max >= own.cableMm.min))
    report('cableMm', 'The thinnest cable that its clamp takes comes first, then the thickest.');
  const places = arrange(own.contacts, own.arrangement);
  const twice = places.find((place, n) =>
    places.some((each, k) => k < n && Math.hypot(each.x - place.x, each.y - place.y) < 0.2),
  );
  if (twice) report('arrangement', `Contact ${twice.contact} lies on another: give each its own place.`);
  const outside = places.find((place) => Math.hypot(place.x, place.y) > own.insertRadiusMm);
  if (outside) report('arrangement', `Contact ${outside.contact} lies outside the insert.`);
  if (problems.length > 0) return { ok: false, problems };
  return good({
    id: `own-${id}`,
    name: own.name.trim(),
    family: `own-${id}`,
    familyName: own.name.trim().slice(0, 40),
    gender: own.gender,
    mount: 'cable',
    contacts: own.contacts.map((contact) => ({
      id: contact,
      name: contact,
      takes: 'cup',
      boreMm: own.boreMm,
    })),
    shell: own.shell,
    views: {
      mating: places,
      insertRadiusMm: own.insertRadiusMm,
      keyed: true,
      source: 'the user',
    },
    ...(own.threadOn.length > 0
      ? { bodyParts: own.threadOn.map((name) => ({ name, goesOn: 'before', from: 'cable' }) as const) }
      : {}),
    cableMm: own.cableMm,
    reachMm: { face: own.reachMm, tip: own.reachMm },
    strip: {
      jacketMm: { min: own.jacketMm, max: own.jacketMm, usual: own.jacketMm },
      bareMm: { min: own.bareMm, max: own.bareMm, usual: own.bareMm },
      source: 'the user',
    },
    source: 'the user',
  });
}

/** A cable as its user describes it. */
export interface OwnCable {
  readonly name: string;
  readonly kind: CableEntry['kind'];
  readonly screen: CableEntry['screen'];
  readonly conductors: readonly {
    readonly is: CableConductor['is'];
    readonly colour: ColourCode;
    readonly pair?: string;
  }[];
  /** Of each core, Ω/km at 20 °C. */
  readonly ohmsPerKm: number;
  readonly jacketMm: number;
  readonly flex: CableEntry['flex'];
}

/** The catalogue entry of a cable of one's own, or what is wrong with its description by field. */
export function ownCable(own: OwnCable): Result<CableEntry> {
  const id = slug(own.name);
  if (id === '')
    return bad('own.name', 'The cable needs a name: what is printed on it, or what you call it.', 'name');
  if (own.conductors.length === 0)
    return bad('own.conductors', 'A cable has at least one core.', 'conductors');
  if (own.screen !== 'none' && !own.conductors.some((each) => each.is !== 'core'))
    return bad(
      'own.conductors',
      'Its screen is missing among the conductors: add it, or say that it has none.',
      'conductors',
    );
  if (!(own.ohmsPerKm > 0 && own.ohmsPerKm < 1e5))
    return bad('own.ohmsPerKm', 'Give the resistance of a core in Ω/km: 84 for 24 AWG.', 'ohmsPerKm');
  if (!(own.jacketMm > 0 && own.jacketMm < 100))
    return bad('own.jacketMm', 'Give the thickness over the jacket in mm.', 'jacketMm');
  return good({
    id: `own-${id}`,
    name: own.name.trim(),
    kind: own.kind,
    screen: own.screen,
    conductors: own.conductors.map(({ is, colour, pair }, n) => ({
      id: `${n + 1}-${is === 'core' ? colour.toLowerCase().replace('??', 'x') : is}`,
      is,
      colour: is === 'core' ? colour : 'CU',
      ...(pair ? { pair } : {}),
      ohmsPerKm: is === 'core' ? own.ohmsPerKm : own.ohmsPerKm / 3,
      outerMm: Math.max(0.3, Math.round((own.jacketMm / (1.6 * Math.sqrt(own.conductors.length))) * 10) / 10),
    })),
    jacketMm: own.jacketMm,
    flex: own.flex,
    source: 'the user',
  });
}
