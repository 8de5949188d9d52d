import { array, boolean, number, object, string } from 'yup';
import { derive, type Lead } from '../lead';
import { bad, good, readShape, type Problem, type Result, type Shape } from '../quantity';
import { INTENT_VERSION, intentEndSchema } from '../wiring';
import { kitSheet, type KitSheet } from './sheet';

/** The version of chains written today. */
export const CHAIN_VERSION = 1;

/** Left over between two devices so that either can be drawn out, mm (nominal). */
const SLACK = 300;
/** Every device of a chain is named, and stands somewhere along the way. */
const MOST_DEVICES = 60;

const device = object({
  name: string().required('Name the device.').max(60),
  /** Where its sockets are, along the way that the leads take, mm. */
  atMm: number().required('Say where it stands, in mm along the way.').min(0).max(1e6),
  /** What a lead comes to, and what it leaves from; the first and the last have one of them. */
  in: intentEndSchema.default(undefined).optional(),
  out: intentEndSchema.default(undefined).optional(),
}).noUnknown();

/** Devices in the order that the signal goes through them. */
export const chainSchema = object({
  version: number()
    .oneOf([CHAIN_VERSION] as const)
    .required(),
  devices: array(device.required()).min(2, 'A chain is two devices at least.').max(MOST_DEVICES).required(),
  /** Two of each lead alike, left and right. */
  pairs: boolean(),
  slackMm: number().min(0).max(1e5),
  cable: string().max(60),
  surroundings: string().max(40),
}).noUnknown();
export type Chain = Shape<typeof chainSchema>;

/** The leads of a chain with their one kit. */
export interface ChainKit {
  readonly version: 1;
  readonly hops: readonly { readonly name: string; readonly mm: number }[];
  readonly kit: KitSheet;
}

/** The lead of one hop, as short as the way and its slack allow; problems by the device that they are at. */
function hop({ devices, slackMm = SLACK, cable, surroundings = 'rack' }: Chain, n: number): Result<Lead> {
  const [from, to] = devices.slice(n, n + 2);
  if (!from?.out)
    return bad(
      'kit.chain',
      `${from?.name ?? 'A device'} has nothing that a lead leaves from.`,
      `devices[${n}].out`,
    );
  if (!to?.in)
    return bad(
      'kit.chain',
      `${to?.name ?? 'A device'} has nothing that a lead comes to.`,
      `devices[${n + 1}].in`,
    );
  const made = derive(
    {
      version: INTENT_VERSION,
      from: [from.out],
      to: [to.in],
      length: { mm: Math.abs(to.atMm - from.atMm) + slackMm, datum: 'face' },
      surroundings,
      schools: {},
      ...(cable === undefined ? {} : { cable }),
    },
    [],
    `${from.name} to ${to.name}`,
  );
  if (made.ok) return made;
  return {
    ok: false,
    problems: made.problems.map((each): Problem => ({
      ...each,
      path: each.path
        .replace(/^intent\.from\[0\]/, `devices[${n}].out`)
        .replace(/^intent\.to\[0\]/, `devices[${n + 1}].in`),
    })),
  };
}

/**
 * The leads of a studio chain: devices in their order, the shortest lead for each hop. Errors: `kit.chain`, those of its shape,
 * and those of each lead at the device that they are of.
 */
export function chainLeads(
  document: unknown,
): Result<{ readonly chain: Chain; readonly leads: readonly Lead[] }> {
  const read = readShape(chainSchema, document);
  if (!read.ok) return read;
  const chain = read.value;
  const hops = chain.devices.slice(1).map((_, n) => hop(chain, n));
  const problems = hops.flatMap((each) => (each.ok ? [] : each.problems));
  if (problems.length > 0) return { ok: false, problems };
  return good({ chain, leads: hops.flatMap((each) => (each.ok ? [each.value] : [])) });
}

/** A studio chain with one kit of all its leads, left and right alike where pairs are asked for. Errors: as of {@link chainLeads}. */
export function chainKit(document: unknown): Result<ChainKit> {
  const made = chainLeads(document);
  if (!made.ok) return made;
  const { chain, leads } = made.value;
  return good({
    version: CHAIN_VERSION,
    hops: leads.map((lead) => ({ name: lead.name, mm: lead.assembly.lengths[0]?.mm ?? 0 })),
    kit: kitSheet(leads.map((lead) => ({ lead, count: 1, pairs: chain.pairs ?? false }))),
  });
}
