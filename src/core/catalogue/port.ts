import { number, object, string } from 'yup';
import type { Shape } from '../quantity';
import { SIGNALS } from './connector';
import { FORMAT_IDS } from './formats';
import { entryId, entryName, positive, source } from './member';
import { PHANTOM_KINDS } from './phantom';

/** How a balanced output makes its cold leg, which decides what may be done with it. */
export const COLD_LEGS = ['ground-referenced', 'cross-coupled', 'transformer', 'impedance-balanced'] as const;
export type ColdLeg = (typeof COLD_LEGS)[number];

/** How a thing stands to phantom power on its line: is fed by it, is not hurt by it, is harmed by it, gives it. */
export const PHANTOMS = ['needs', 'unhurt', 'harmed', 'gives'] as const;

/** What a thing has on its socket, electrically: the facts about it that decide how a lead to it is wired. */
export const portSchema = object({
  id: entryId,
  name: entryName,
  /** `either`: the end of another lead or a panel, which passes whatever is on it. */
  direction: string()
    .oneOf(['out', 'in', 'either'] as const)
    .required(),
  format: string().oneOf(FORMAT_IDS).required(),
  coldLeg: string().oneOf(COLD_LEGS),
  phantom: string().oneOf(PHANTOMS).required(),
  /** Which phantom it gives, where it gives any: P48 where nothing is said. */
  supply: string().oneOf(PHANTOM_KINDS),
  /** What else it puts on its signal contacts: plug-in power on an input, V; or T-power, V. */
  gives: object({
    kind: string()
      .oneOf(['plug-in power', 'T-power'] as const)
      .required(),
    volts: positive.required(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  needs: string().oneOf(['plug-in power', 'T-power'] as const),
  /** What the screen contact is joined to inside. */
  screenBond: string()
    .oneOf(['chassis', 'signal ground', 'none'] as const)
    .required(),
  /** Source or input impedance, Ω. */
  impedance: number().min(0).max(1e9).required(),
  /** What its source is wound of, where that is a coil with nothing between: it rings with the lead’s capacitance. `controlOhms` lie beside it. */
  coil: object({
    henries: positive.required(),
    ohms: positive.required(),
    picofarads: number().min(0).max(1e9).required(),
    controlOhms: positive,
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Of an input that has a capacitance of its own, pF. */
  picofarads: positive,
  /** Between what the capacitance of lead and input together is to lie for what is plugged in here, pF. */
  wantsPicofarads: object({ from: positive.required(), to: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Nominal level, dBu. */
  levelDbu: number().min(-150).max(100).required(),
  /** Longest unbalanced run advised from it, m, by surroundings; only where it is unbalanced. */
  longestUnbalancedM: object({ quiet: positive.required(), stage: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  signal: string().oneOf(SIGNALS).required(),
  source,
}).noUnknown();
export type PortKind = Shape<typeof portSchema>;
