import { connectorOf, endById, type Assembly } from '../assembly';
import { tipFor } from '../heat';
import type { Operation } from './types';

/** What a step is done with; changing to it takes time. */
export interface BenchTool {
  readonly id: string;
  /** To lay hands on it and set it, s (from memory). */
  readonly setUpSeconds: number;
}

const HANDS: BenchTool = { id: 'hands', setUpSeconds: 0 };
const tool = (id: string, setUpSeconds: number): BenchTool => ({ id, setUpSeconds });

const BY_KIND: Readonly<Record<Operation['kind'], BenchTool>> = {
  cut: tool('cutters and tape', 30),
  braid: HANDS,
  part: tool('jacket tool', 15),
  pull: HANDS,
  open: tool('screwdriver', 10),
  drill: tool('drill', 60),
  thread: HANDS,
  feed: HANDS,
  strip: tool('jacket tool', 15),
  screen: HANDS,
  sleeve: HANDS,
  'cut back': tool('flush cutters', 5),
  trim: tool('stripper', 15),
  identify: tool('meter', 20),
  'tin cores': tool('iron', 60),
  'tin contacts': tool('iron', 60),
  blunt: tool('flush cutters', 5),
  unsolder: tool('iron', 60),
  link: tool('iron', 60),
  twist: tool('flush cutters', 5),
  solder: tool('iron', 60),
  finish: tool('iron', 60),
  inspect: tool('loupe', 5),
  measure: tool('meter', 20),
  shrink: tool('heat gun', 20),
  cool: HANDS,
  mount: tool('spanner', 10),
  clamp: HANDS,
  prove: tool('meter', 20),
  seal: tool('heat gun', 20),
  label: tool('labels', 15),
};

/** With what a step is done: an iron by its tip, a screw by its driver, everything else by its kind. */
export function toolOf(assembly: Assembly, { kind, end, joint }: Operation): BenchTool {
  const usual = BY_KIND[kind];
  const made = assembly.bodies.flatMap(({ joints }) => joints).find(({ id }) => id === joint);
  if (made?.how === 'screw') return tool('screwdriver', 10);
  const at = end === undefined ? undefined : endById(assembly, end);
  if (kind === 'finish') {
    const soldered = at?.loose?.some(
      ({ finish }) => finish === undefined || finish === 'tinned' || finish === 'pin',
    );
    return soldered ? tool('iron, chisel', usual.setUpSeconds) : tool('crimper', 15);
  }
  if (usual.id !== 'iron') return usual;
  const connector = at && connectorOf(assembly, at);
  return tool(`iron, ${connector ? tipFor(connector) : 'chisel'}`, usual.setUpSeconds);
}
