import type { ConnectorEntry } from '../catalogue';

/** One turned piece of a connector's outline, from the mating face backward, mm; and the contact it is, if it is one. */
export interface Turned {
  readonly length: number;
  readonly from: number;
  readonly to: number;
  readonly of: 'metal' | 'insulator' | 'boot';
  readonly contact?: string;
}

const t = (length: number, from: number, to: number, of: Turned['of'], contact?: string): Turned => ({
  length,
  from,
  to,
  of,
  ...(contact ? { contact } : {}),
});

/** Side outlines by family and gender: nominal, for telling ends apart at a glance, not for measuring. */
const PROFILES: Readonly<Record<string, readonly Turned[]>> = {
  'xlr3-plug': [
    t(20, 19, 19, 'metal'),
    t(2.5, 17, 17, 'insulator'),
    t(22, 18, 17, 'metal'),
    t(18, 14, 9, 'boot'),
  ],
  'xlr3-socket': [t(19, 15, 15, 'metal'), t(27, 19, 18, 'metal'), t(18, 14, 9, 'boot')],
  trs635: [
    t(4, 3, 5.4, 'metal', 'T'),
    t(3, 5, 6.3, 'metal', 'T'),
    t(1.4, 6.35, 6.35, 'insulator'),
    t(5, 6.35, 6.35, 'metal', 'R'),
    t(1.4, 6.35, 6.35, 'insulator'),
    t(16, 6.35, 6.35, 'metal', 'S'),
    t(34, 14, 12, 'metal'),
    t(10, 9, 8, 'boot'),
  ],
  ts635: [
    t(4, 3, 5.4, 'metal', 'T'),
    t(3, 5, 6.3, 'metal', 'T'),
    t(1.6, 6.35, 6.35, 'insulator'),
    t(22, 6.35, 6.35, 'metal', 'S'),
    t(34, 14, 12, 'metal'),
    t(10, 9, 8, 'boot'),
  ],
  phono: [
    t(8, 3.2, 3.2, 'metal', 'C'),
    t(8, 8.6, 8.6, 'metal', 'K'),
    t(26, 12, 11, 'metal'),
    t(10, 8, 7, 'boot'),
  ],
};

/** The outline of a connector; a plain barrel where its family has none. */
export const profileOf = (connector: ConnectorEntry): readonly Turned[] =>
  PROFILES[connector.id] ?? PROFILES[connector.family] ?? [t(40, 14, 14, 'metal')];

export const profileLength = (profile: readonly Turned[]): number =>
  profile.reduce((sum, piece) => sum + piece.length, 0);

/**
 * The part of an outline that goes into the socket, for connectors whose contacts lie behind each other and are told
 * apart from the side and not from the front. Undefined for those whose face shows them.
 */
export function sideFace(connector: ConnectorEntry): readonly Turned[] | undefined {
  const profile = profileOf(connector);
  const last = profile.findLastIndex((piece) => piece.contact !== undefined);
  return last < 0 ? undefined : profile.slice(0, last + 1);
}
