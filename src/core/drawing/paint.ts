import type { ColourCode } from '../catalogue';

/** What a thing in a picture is made of, besides insulation. */
export const MATERIALS = [
  'paper',
  'hollow',
  'ink',
  'outline',
  'metal',
  'steel',
  'dark',
  'copper',
  'wire',
  'clay',
  'gold',
  'silver',
  'glass',
  'board',
] as const;
export type Material = (typeof MATERIALS)[number];

/** What a mark is painted with: insulation in its colour, or a material. */
export type Paint = ColourCode | Material;

/** What insulation looks like. These colours are used for insulation and nothing else. */
export const INSULATION: Readonly<Record<ColourCode, string>> = {
  BK: '#26231f',
  BN: '#7a4a24',
  RD: '#c02a1d',
  OG: '#e07b1a',
  YE: '#e8c52a',
  GN: '#2a7d3e',
  BU: '#2b63b5',
  VT: '#7b4aa3',
  GY: '#8d8d8a',
  WH: '#fbfaf4',
  PK: '#e79aa8',
  CL: '#e9e4d3',
  CU: '#c07236',
  '??': '#a39b8d',
};

/** What each material looks like on paper. */
const ON_PAPER: Readonly<Record<Material, string>> = {
  paper: '#ffffff',
  hollow: '#e9e0cf',
  ink: '#201b15',
  outline: '#201b15',
  metal: '#b9b4aa',
  steel: '#8a857b',
  dark: '#37332d',
  copper: '#c07236',
  wire: '#9a9a94',
  clay: '#e2cfa4',
  gold: '#b58a2a',
  silver: '#c9ccd0',
  glass: '#f3e3a8',
  board: '#d9d3bf',
};

/** A paint as it is on paper, as #rrggbb. */
export const onPaper = (paint: Paint): string =>
  paint in INSULATION ? INSULATION[paint as ColourCode] : ON_PAPER[paint as Material];

/** Relative luminance of #rrggbb, 0 to 1 (WCAG 2.2). */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((n) => {
    const c = Number.parseInt(hex.slice(n, n + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Light and dark letters. */
export const LETTERING = { light: '#ffffff', dark: '#1c1a17' } as const;

/** How far two colours stand apart, 1 to 21 (contrast ratio, WCAG 2.2). */
export function contrast(one: string, other: string): number {
  const [high = 0, low = 0] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (high + 0.05) / (low + 0.05);
}

/** Whether letters on this insulation are light: whichever stands out more. */
export const isDark = (code: ColourCode): boolean =>
  contrast(INSULATION[code], LETTERING.light) > contrast(INSULATION[code], LETTERING.dark);
