/** Letter codes for insulation colours (IEC 60757; cited, from memory). CL is not in it: clear insulation, common practice. */
export const COLOURS = {
  BK: 'black',
  BN: 'brown',
  RD: 'red',
  OG: 'orange',
  YE: 'yellow',
  GN: 'green',
  BU: 'blue',
  VT: 'violet',
  GY: 'grey',
  WH: 'white',
  PK: 'pink',
  CL: 'clear',
  CU: 'bare copper',
  '??': 'not yet identified',
} as const;

export type ColourCode = keyof typeof COLOURS;
export const COLOUR_CODES = Object.keys(COLOURS) as ColourCode[];

/** How dark an insulation is, 0 white … 1 black: for the rule "darker as the contact number rises" (common practice). */
export const DARKNESS: Readonly<Record<ColourCode, number>> = {
  CL: 0,
  WH: 0.05,
  YE: 0.2,
  PK: 0.3,
  OG: 0.4,
  GN: 0.55,
  RD: 0.5,
  GY: 0.6,
  BU: 0.7,
  VT: 0.75,
  BN: 0.8,
  BK: 1,
  CU: 0,
  '??': 0.5,
};

/** Digits of the resistor colour code (IEC 60062): 0 black, 1 brown, 2 red … 9 white. */
export const RESISTOR_CODE: readonly ColourCode[] = [
  'BK',
  'BN',
  'RD',
  'OG',
  'YE',
  'GN',
  'BU',
  'VT',
  'GY',
  'WH',
];
