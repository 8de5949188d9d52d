import { number, object, string } from 'yup';
import { connectorOf, endById, type Assembly } from '../assembly';
import { tipFor } from '../heat';
import type { Shape } from '../quantity';
import { secondsProblem, SET_UP_SECONDS, TOOL_NAMES, type ToolName } from './tool-names';
import type { Operation } from './types';

/** How long it takes at one’s own bench to lay hands on a tool, s; as usual where nothing is said. */
export type SetUps = { readonly [Name in ToolName]?: number | undefined };

/** One tool that was timed: how long it takes to lay hands on it and set it, s. */
export const setUpSchema = object({
  tool: string().oneOf(TOOL_NAMES, 'There is no such tool at a bench.').required('Say which tool.'),
  seconds: number()
    .typeError(secondsProblem(NaN) ?? '')
    .required('Give the seconds.')
    .test('seconds', (seconds, { createError }) => {
      const message = secondsProblem(seconds);
      return message === undefined || createError({ message });
    }),
}).noUnknown();
export type SetUp = Shape<typeof setUpSchema>;

/** Those of a list, by the tool. */
export const setUpsOf = (timed: readonly SetUp[]): SetUps =>
  Object.fromEntries(timed.map(({ tool, seconds }) => [tool, seconds]));

/** What a step is done with; changing to it takes time. */
export interface BenchTool {
  readonly id: string;
  /** To lay hands on it and set it, s; 0 for bare hands. */
  readonly setUpSeconds: number;
}

/** With what each kind of step is done; by hand where nothing is said. */
const BY_KIND: { readonly [Kind in Operation['kind']]: ToolName | undefined } = {
  cut: 'cutters and tape',
  braid: undefined,
  part: 'jacket tool',
  pull: undefined,
  open: 'screwdriver',
  drill: 'drill',
  thread: undefined,
  feed: undefined,
  strip: 'jacket tool',
  screen: undefined,
  sleeve: undefined,
  'cut back': 'flush cutters',
  trim: 'stripper',
  identify: 'meter',
  'tin cores': 'iron',
  'tin contacts': 'iron',
  blunt: 'flush cutters',
  unsolder: 'iron',
  link: 'iron',
  twist: 'flush cutters',
  solder: 'iron',
  finish: 'iron',
  inspect: 'loupe',
  measure: 'meter',
  shrink: 'heat gun',
  cool: undefined,
  mount: 'spanner',
  clamp: undefined,
  prove: 'meter',
  seal: 'heat gun',
  label: 'labels',
};

/** With what a step is done: as it says itself, a screw by its driver, else by its kind; an iron by its tip. */
export function toolOf(
  assembly: Assembly,
  { kind, end, joint, tool: own }: Operation,
  setUps: SetUps = {},
): BenchTool {
  const tool = (name: ToolName, tip = ''): BenchTool => ({
    id: `${name}${tip}`,
    setUpSeconds: setUps[name] ?? SET_UP_SECONDS[name],
  });
  const made = assembly.bodies.flatMap(({ joints }) => joints).find(({ id }) => id === joint);
  if (made?.how === 'screw') return tool('screwdriver');
  const at = end === undefined ? undefined : endById(assembly, end);
  const usual = own ?? BY_KIND[kind];
  if (usual === undefined) return { id: 'hands', setUpSeconds: 0 };
  if (usual !== 'iron') return tool(usual);
  // Loose wires are tinned in the air.
  const connector = kind === 'finish' ? undefined : at && connectorOf(assembly, at);
  return tool('iron', `, ${connector ? tipFor(connector) : 'chisel'}`);
}
