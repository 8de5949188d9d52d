import type { ConnectorEntry } from '../catalogue';

/** One turned piece of a connector's outline, from the mating face backward, mm. */
export interface Turned {
  readonly length: number;
  readonly from: number;
  readonly to: number;
  readonly of: 'metal' | 'insulator' | 'boot' | 'contact';
}

const t = (length: number, from: number, to: number, of: Turned['of']): Turned => ({ length, from, to, of });

/** Side outlines by family and gender: nominal, for telling ends apart at a glance, not for measuring. */
const PROFILES: Readonly<Record<string, readonly Turned[]>> = {
  'xlr3-plug': [t(16, 16, 16, 'metal'), t(2, 19, 19, 'metal'), t(26, 19, 19, 'metal'), t(18, 15, 9, 'boot')],
  'xlr3-socket': [
    t(18, 15.6, 15.6, 'metal'),
    t(4, 19, 19, 'insulator'),
    t(26, 19, 19, 'metal'),
    t(18, 15, 9, 'boot'),
  ],
  trs635: [
    t(4, 3, 5.4, 'metal'),
    t(3, 5, 6.3, 'metal'),
    t(1.4, 6.35, 6.35, 'insulator'),
    t(5, 6.35, 6.35, 'metal'),
    t(1.4, 6.35, 6.35, 'insulator'),
    t(16, 6.35, 6.35, 'metal'),
    t(34, 14, 12, 'metal'),
    t(10, 9, 8, 'boot'),
  ],
  ts635: [
    t(4, 3, 5.4, 'metal'),
    t(3, 5, 6.3, 'metal'),
    t(1.6, 6.35, 6.35, 'insulator'),
    t(22, 6.35, 6.35, 'metal'),
    t(34, 14, 12, 'metal'),
    t(10, 9, 8, 'boot'),
  ],
  phono: [t(8, 3.2, 3.2, 'metal'), t(8, 8.6, 8.6, 'metal'), t(26, 12, 11, 'metal'), t(10, 8, 7, 'boot')],
};

/** The outline of a connector; a plain barrel where its family has none. */
export const profileOf = (connector: ConnectorEntry): readonly Turned[] =>
  PROFILES[connector.id] ?? PROFILES[connector.family] ?? [t(40, 14, 14, 'metal')];

export const profileLength = (profile: readonly Turned[]): number =>
  profile.reduce((sum, piece) => sum + piece.length, 0);
