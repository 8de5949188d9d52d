import { array, boolean, number, object, string } from 'yup';
import { PORTS, portById } from '../catalogue';
import { bad, good, readShape, type Result, type Shape } from '../quantity';
import type { Lines } from './document';
import type { LineStand } from './stand';

/** The version of input lists and of lines written today. */
export const INPUTS_VERSION = 1;
/** So many at the most. */
const MOST = 128;

/** How a thing at the end of a line stands to phantom: it is fed by it, is not hurt, is harmed. */
export const WANTS = ['needs', 'unhurt', 'harmed'] as const;
export type Wants = (typeof WANTS)[number];

const way = () =>
  number().typeError('A way is a number.').integer('A way is a whole number.').min(0).max(100_000);

/** One input of the printed list. */
export const inputSchema = object({
  id: string().required('Give it an id.').min(1).max(60),
  name: string().trim().required('Say what it is: “Narrator, left”.').max(60),
  /** What stands there, as the catalogue has it. */
  port: string().max(60),
  /** How that stands to phantom, where it is known better than by what it is. */
  phantom: string().oneOf(WANTS, 'It needs phantom, is unhurt by it, or harmed.'),
  /** How much harm it does where it has no good line, from 1. */
  weight: number()
    .typeError('Importance is a number from 1 to 10.')
    .min(1, 'Importance is from 1 to 10.')
    .max(10, 'Importance is from 1 to 10.')
    .required('Say how important it is.'),
  /** The way that is printed; none where it has none yet. */
  way: way(),
  /** Two of one name want adjacent ways. */
  pair: string().trim().min(1).max(60),
}).noUnknown();
export type Input = Shape<typeof inputSchema>;

/** The input list of a job, with what a patch of it costs. */
export const inputListSchema = object({
  version: number()
    .oneOf([INPUTS_VERSION] as const, 'Written by another version of Antler.')
    .required(),
  inputs: array(inputSchema.required())
    .max(MOST, `A list has ${MOST} inputs at the most.`)
    .required('Say which inputs there are.'),
  costs: object({
    move: number().typeError('Give a number.').min(0).max(1000).required(),
    onUnknown: number().typeError('Give a number.').min(0).max(1000).required(),
    pairApart: number().typeError('Give a number.').min(0).max(1000).required(),
  })
    .noUnknown()
    .required(),
}).noUnknown();
export type InputList = Shape<typeof inputListSchema>;
/** What a patch costs where nobody says otherwise: a pair apart is worse than two moves, an unproven line worse than any move. */
export const USUAL_COSTS: InputList['costs'] = { move: 1, onUnknown: 5, pairApart: 3 };
export const NO_INPUTS: InputList = { version: INPUTS_VERSION, inputs: [], costs: USUAL_COSTS };

/** One line of a venue. */
export const venueLineSchema = object({
  way: way().required('Say which way it is.'),
  /** Where it comes out: “fly gallery”. */
  name: string().trim().max(60),
  /** Its phantom cannot be switched off. */
  phantom: boolean(),
}).noUnknown();
export const venueLinesSchema = array(venueLineSchema.required())
  .min(1, 'A venue has at least one line.')
  .max(MOST, `A venue has ${MOST} lines at the most.`)
  .required('Say which lines there are.');
export type VenueLine = Shape<typeof venueLineSchema>;

const twiceAt = <T>(all: readonly T[]): number =>
  all.findIndex((each, n) => each !== undefined && all.indexOf(each) !== n);

/** What cannot be of lines that are whole in themselves: `patch.twice`. */
export function checkLines(lines: readonly VenueLine[]): Result<readonly VenueLine[]> {
  const twice = twiceAt(lines.map((each) => each.way));
  return twice < 0
    ? good(lines)
    : bad('patch.twice', `Way ${lines[twice]?.way ?? ''} stands there twice.`, `lines[${twice}].way`);
}

/** An input list out of a document. Errors: the shape’s, `patch.twice` of an id or a printed way, `patch.pair`, `patch.port`. */
export function readInputs(document: unknown): Result<InputList> {
  const read = readShape(inputListSchema, document);
  if (!read.ok) return read;
  const { inputs } = read.value;
  const named = twiceAt(inputs.map((each) => each.id));
  if (named >= 0) return bad('patch.twice', 'Two inputs have one id.', `inputs[${named}].id`);
  const printed = twiceAt(inputs.map((each) => each.way));
  if (printed >= 0)
    return bad(
      'patch.twice',
      `Way ${inputs[printed]?.way ?? ''} is printed twice: for “${inputs.find((each) => each.way === inputs[printed]?.way)?.name ?? ''}” and “${inputs[printed]?.name ?? ''}”.`,
      `inputs[${printed}].way`,
    );
  for (const [n, { pair, port }] of inputs.entries()) {
    const count = inputs.filter((each) => each.pair === pair).length;
    if (pair !== undefined && count !== 2)
      return bad('patch.pair', `A pair is two inputs: “${pair}” is ${count}.`, `inputs[${n}].pair`);
    if (port !== undefined && portById(port)?.direction === undefined)
      return bad(
        'patch.port',
        `“${port}” is nothing that Antler knows: choose what stands there.`,
        `inputs[${n}].port`,
      );
  }
  return good(read.value);
}

/** How an input stands to phantom: as it is said of it, else as what it is; of what nothing is said, unhurt. */
export function wantsOf({ phantom, port }: Pick<Input, 'phantom' | 'port'>): Wants {
  if (phantom !== undefined) return phantom;
  const kind = port === undefined ? undefined : portById(port)?.phantom;
  return kind === 'needs' || kind === 'harmed' ? kind : 'unhurt';
}

/** What may stand at the end of a line: everything that gives a signal. */
export const INPUT_PORTS = PORTS.filter(({ direction }) => direction === 'out').map(({ id, name }) => ({
  id,
  name,
}));

/** Lines as they stand, and the inputs that want one: what is planned anew. */
export function linesFor(
  lines: readonly VenueLine[],
  stands: readonly Pick<LineStand, 'way' | 'state'>[],
  { inputs, costs }: InputList,
): Lines {
  const stateOf = new Map(stands.map(({ way: at, state }) => [at, state]));
  return {
    version: 1,
    lines: lines.map((line) => ({
      way: line.way,
      state: stateOf.get(line.way) ?? 'unknown',
      ...(line.phantom === true ? { phantom: true } : {}),
    })),
    inputs: inputs.map((input) => {
      const wants = wantsOf(input);
      return {
        id: input.id,
        weight: input.weight,
        ...(input.way === undefined ? {} : { way: input.way }),
        ...(input.pair === undefined ? {} : { pair: input.pair }),
        ...(wants === 'unhurt' ? {} : { phantom: wants === 'needs' }),
      };
    }),
    costs,
  };
}
