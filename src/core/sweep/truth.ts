import { PHANTOM_SUPPLIES, type PhantomKind } from '../catalogue';
import { operatingPoint } from '../circuit';
import { brightness, lineOn, LINES, truthTable, type Line } from '../signal';
import { LAMPS, PAIRS, type Fault, type Plug, type Truth } from './looks';

/** A joint that is bad and not open, at each contact, Ω: what neither lamps nor a meter that draws nothing can tell (handbook of the trade). */
const WEAK_OHMS = 1000;
const WEAK: readonly Line[] = ([1, 2, 3] as const).map((contact) => ({
  id: `weak${contact}`,
  says: `a joint of 1 kΩ in ${contact}`,
  arrives: { 1: 1, 2: 2, 3: 3 },
  ohms: { [contact]: WEAK_OHMS },
}));
const ALL: readonly Line[] = [...LINES, ...WEAK];

/** What a meter lays across what it reads, Ω (common practice). */
const METER_OHMS = 1e7;

/** What a meter reads across each pair of contacts of a line, V: the first over the second, one pair after the other. */
function readingsOn(line: Line, supply: PhantomKind): readonly number[] {
  return PAIRS.map(([a, b]) => {
    const point = operatingPoint({
      elements: [
        ...lineOn(line, supply),
        { kind: 'resistor', id: 'Rmeter', a: `p${a}`, b: `p${b}`, ohms: METER_OHMS },
      ],
    });
    // A contact that nothing arrives at, and that no meter lies on, is no node at all.
    return point.ok ? point.value.voltage(`p${a}`) - point.value.voltage(`p${b}`) : 0;
  });
}

const faultOf = ({ id, says }: Line): Fault => ({ id, says });

/**
 * What every look at a line may mean, with this plug on this supply: each fault of a line solved as a circuit, with the lamps and
 * with a meter on it.
 */
export function truthOf(plug: Plug): Truth {
  const { supply, ohms, forward, guard } = plug;
  const rows = truthTable(supply, ohms, forward, guard, ALL);
  const lit = rows.map(({ line, lamps }) => ({
    line,
    lit: lamps.map((amps) => brightness(amps) !== 'dark'),
    amps: lamps,
  }));
  const [right] = lit;
  const showing = (two: boolean, three: boolean): readonly Fault[] =>
    lit.filter(({ lit: [a, b] }) => a === two && b === three).map(({ line }) => faultOf(line));
  const both = showing(true, true);
  const mayBe: Truth['lamps'] = {
    both: both.filter(({ id }) => id !== 'good'),
    'only 2': showing(true, false),
    'only 3': showing(false, true),
    one: [...showing(true, false), ...showing(false, true)],
    none: showing(false, false),
    flicker: [{ id: 'loose', says: 'a contact or a joint that comes and goes' }],
  };
  return {
    plug,
    lamps: Object.fromEntries(LAMPS.map((seen) => [seen, mayBe[seen]])) as Truth['lamps'],
    bright: brightness(right?.amps[0] ?? 0),
    volts: ALL.map((line) => ({ ...faultOf(line), volts: readingsOn(line, supply) })),
    supplyVolts: PHANTOM_SUPPLIES[supply].volts,
  };
}
