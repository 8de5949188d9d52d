import type { ColourCode } from '../core/catalogue';

/** What insulation looks like on screen. These colours are used for insulation and nothing else. */
export const INSULATION: Readonly<Record<ColourCode, string>> = {
  BK: '#26231f',
  BN: '#7a4a24',
  RD: '#c02a1d',
  OG: '#e07b1a',
  YE: '#e8c52a',
  GN: '#2f8a45',
  BU: '#2b63b5',
  VT: '#7b4aa3',
  GY: '#8d8d8a',
  WH: '#fbfaf4',
  PK: '#e79aa8',
  CL: '#e9e4d3',
  CU: '#c07236',
  '??': '#a39b8d',
};

/** Whether letters on this insulation are light. */
export const isDark = (code: ColourCode): boolean => ['BK', 'BN', 'RD', 'GN', 'BU', 'VT'].includes(code);
