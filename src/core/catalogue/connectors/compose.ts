import { turned } from '../outline';
import type {
  BodyPart,
  ConnectorContact,
  ConnectorEntry,
  ContactPlace,
  Layout,
  RoleMap,
  Turned,
} from '../entries';

/** What every connector of one contact pattern has in common, whatever body it is in. */
export type Pattern = Pick<
  ConnectorEntry,
  'family' | 'familyName' | 'signals' | 'contacts' | 'shell' | 'bonded'
> & {
  readonly layouts?: readonly Layout[];
  /** The mating face of the plug, key up; a socket's is its mirror. */
  readonly plugFace: readonly ContactPlace[];
  /** The solder side where that is not simply the mirror. */
  readonly solder?: readonly ContactPlace[];
  readonly insertRadiusMm: number;
  readonly keyed: boolean;
  readonly faceSource: string;
};

/** What one body adds to a pattern. */
export type Make = Omit<ConnectorEntry, keyof Pattern | 'views'>;

/** Parts of a body that cannot go on once there is a joint: threaded over the cable, the first goes furthest from the end. */
export const before = (...names: readonly string[]): readonly BodyPart[] =>
  names.map((name) => ({ name, goesOn: 'before', from: 'cable' }));
/** A part of a body that goes on when everything is soldered. */
export const after = (name: string, from: BodyPart['from']): BodyPart => ({ name, goesOn: 'after', from });

const mirrored = (places: readonly ContactPlace[]): readonly ContactPlace[] =>
  places.map((place) => ({ ...place, x: place.x === 0 ? 0 : -place.x }));

/** Connectors of one pattern: pattern × body × angle. */
export const compose = (pattern: Pattern, makes: readonly Make[]): readonly ConnectorEntry[] =>
  makes.map(({ id, name, ...make }) => {
    const { plugFace, solder, insertRadiusMm, keyed, faceSource, ...shared } = pattern;
    return {
      id,
      name,
      ...shared,
      ...make,
      views: {
        mating: make.gender === 'socket' ? mirrored(plugFace) : plugFace,
        ...(solder ? { solder } : {}),
        insertRadiusMm,
        keyed,
        source: faceSource,
      },
    };
  });

/** Contacts that all take a wire the same way, bore in mm. */
export const contacts = (
  ids: readonly string[],
  takes: ConnectorContact['takes'],
  boreMm: number,
  names: Readonly<Record<string, string>> = {},
): readonly ConnectorContact[] =>
  ids.map((id) => ({ id, name: names[id] ?? id, ...(takes ? { takes } : {}), boreMm }));

/** Contacts on a circle: each at its angle in degrees, counted counter-clockwise from three o'clock. */
export const onCircle = (radius: number, angles: Readonly<Record<string, number>>): readonly ContactPlace[] =>
  Object.entries(angles).map(([contact, degrees]) => ({
    contact,
    x: round(radius * Math.cos((degrees * Math.PI) / 180)),
    y: round(radius * Math.sin((degrees * Math.PI) / 180)),
  }));

/** Contacts in a row from left to right. */
export const inRow = (ids: readonly string[], pitch: number, y = 0): readonly ContactPlace[] =>
  ids.map((contact, n) => ({ contact, x: round((n - (ids.length - 1) / 2) * pitch), y }));

const round = (value: number): number => Math.round(value * 100) / 100 || 0;

const layout = (
  format: Layout['format'],
  roles: Layout['roles'],
  source: string,
  more: Partial<Pick<Layout, 'id' | 'name' | 'asks' | 'shorts'>> = {},
): Layout => ({
  id: more.id ?? format,
  format,
  name: more.name ?? 'usual',
  roles,
  source,
  ...(more.asks ? { asks: true } : {}),
  ...(more.shorts ? { shorts: true } : {}),
});

/** A layout with one channel. */
export const mono = (
  format: Layout['format'],
  roles: RoleMap,
  source: string,
  more?: Partial<Pick<Layout, 'id' | 'name' | 'asks' | 'shorts'>>,
): Layout => layout(format, { '': roles }, source, more);

export const several = layout;

const [PRACTICE_STRIP, XLR_STRIP] = [
  {
    jacketMm: { min: 9, max: 14, usual: 12 },
    bareMm: { min: 2, max: 4, usual: 3 },
    source: 'common practice',
  },
  {
    jacketMm: { min: 19, max: 25, usual: 22 },
    bareMm: { min: 3, max: 6, usual: 3 },
    source: 'common practice',
  },
] as const;

/** How far back jacket and insulation come off where a family has no figures of its own (common practice). */
export const STRIP = { short: PRACTICE_STRIP, xlr: XLR_STRIP } as const;

/** A plain outline: what goes into the socket, the body, the boot; mm (nominal). */
export const body = (
  front: readonly Turned[],
  length: number,
  width: number,
  bootLength = 12,
): readonly Turned[] => [
  ...front,
  turned(length, width, width - 1, 'metal'),
  ...(bootLength > 0 ? [turned(bootLength, width * 0.75, width * 0.5, 'boot')] : []),
];
