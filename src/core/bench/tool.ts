import { number, object, string } from 'yup';
import { connectorOf, endById, type Assembly } from '../assembly';
import { tipFor } from '../heat';
import type { Shape } from '../quantity';
import type { Operation } from './types';

/** To lay hands on each tool and set it, s (from memory). */
export const SET_UP_SECONDS = {
  'cutters and tape': 30,
  'jacket tool': 15,
  stripper: 15,
  'flush cutters': 5,
  crimper: 15,
  iron: 60,
  screwdriver: 10,
  spanner: 10,
  'heat gun': 20,
  loupe: 5,
  meter: 20,
  drill: 60,
  labels: 15,
} as const;
export type ToolName = keyof typeof SET_UP_SECONDS;
export const TOOL_NAMES = Object.keys(SET_UP_SECONDS) as readonly ToolName[];

/** How long it takes at one’s own bench to lay hands on a tool, s; as usual where nothing is said. */
export type SetUps = { readonly [Name in ToolName]?: number | undefined };

/** One tool that was timed: how long it takes to lay hands on it and set it, s. */
export const setUpSchema = object({
  tool: string().oneOf(TOOL_NAMES, 'There is no such tool at a bench.').required('Say which tool.'),
  seconds: number()
    .typeError('Give the seconds as a number.')
    .min(1, 'It takes 1 s or more to lay hands on a tool.')
    .max(3600, 'More than an hour is no setting up.')
    .required('Give the seconds.'),
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

/** With what a step is done: an iron by its tip, a screw by its driver, everything else by its kind. */
export function toolOf(assembly: Assembly, { kind, end, joint }: Operation, setUps: SetUps = {}): BenchTool {
  const tool = (name: ToolName, tip = ''): BenchTool => ({
    id: `${name}${tip}`,
    setUpSeconds: setUps[name] ?? SET_UP_SECONDS[name],
  });
  const made = assembly.bodies.flatMap(({ joints }) => joints).find(({ id }) => id === joint);
  if (made?.how === 'screw') return tool('screwdriver');
  const at = end === undefined ? undefined : endById(assembly, end);
  if (kind === 'finish') {
    const soldered = at?.loose?.some(
      ({ finish }) => finish === undefined || finish === 'tinned' || finish === 'pin',
    );
    return soldered ? tool('iron', ', chisel') : tool('crimper');
  }
  const usual = BY_KIND[kind];
  if (usual === undefined) return { id: 'hands', setUpSeconds: 0 };
  if (usual !== 'iron') return tool(usual);
  const connector = at && connectorOf(assembly, at);
  return tool('iron', `, ${connector ? tipFor(connector) : 'chisel'}`);
}
