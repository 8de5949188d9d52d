/** A phantom supply: its voltage, the resistor that feeds each leg, and the most it is made to give in all. */
export interface PhantomSupply {
  readonly volts: number;
  /** To each leg, Ω. */
  readonly feedOhms: number;
  readonly limitMilliamps: number;
}

/** IEC 61938 (cited, from memory). */
export const PHANTOM_SUPPLIES = {
  P48: { volts: 48, feedOhms: 6810, limitMilliamps: 10 },
  P24: { volts: 24, feedOhms: 1200, limitMilliamps: 10 },
  P12: { volts: 12, feedOhms: 680, limitMilliamps: 15 },
} as const satisfies Readonly<Record<string, PhantomSupply>>;

export type PhantomKind = keyof typeof PHANTOM_SUPPLIES;
export const PHANTOM_KINDS = Object.keys(PHANTOM_SUPPLIES) as PhantomKind[];
