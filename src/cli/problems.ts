import { ASSEMBLY_PROBLEMS } from '../core/assembly';
import { BENCH_PROBLEMS } from '../core/bench';
import { OWN_PROBLEMS } from '../core/catalogue';
import { CIRCUIT_PROBLEMS } from '../core/circuit';
import { DESCRIBED_PROBLEMS } from '../core/described';
import { DRILLING_PROBLEMS } from '../core/drilling';
import { FILE_PROBLEMS } from '../core/formats';
import { HEAT_PROBLEMS } from '../core/heat';
import { KIT_PROBLEMS } from '../core/kit';
import { LEAD_PROBLEMS } from '../core/lead';
import { PROVING_PROBLEMS } from '../core/proving';
import { QUANTITY_PROBLEMS, type ProblemList } from '../core/quantity';
import { SIGNAL_PROBLEMS } from '../core/signal';
import { SITUATION_PROBLEMS } from '../core/situation';
import { VICE_PROBLEMS } from '../core/vice';
import { STOCK_PROBLEMS } from '../core/stock';
import { SWEEP_PROBLEMS } from '../core/sweep';
import { WIRING_PROBLEMS } from '../core/wiring';
import { WORKBOX_PROBLEMS } from '../core/workbox';
import { SERVER_PROBLEMS } from '../server/problems';

/** Every problem that the command says, by code. The sentence beside it where it arises names the field and the remedy. */
export const SHELL_PROBLEMS = {
  title: 'From a shell',
  codes: {
    'cli.file': 'No file named, or one that cannot be read.',
    'cli.json': 'No JSON.',
    'cli.lead': 'No lead file.',
    'cli.intent': 'No intent.',
    'cli.situation': 'A lead that does not say what its ends meet.',
    'cli.port': 'A port that cannot be listened on.',
    'cli.option': 'An option that a command does not have, or with nothing after it.',
    'cli.tool': 'A tool that no bench has, or one that is named twice.',
    'cli.school': 'A school that there is none of, or an answer that it does not have.',
    'cli.number': 'No number above 0.',
    'cli.contact': 'A contact that the lead does not have.',
    'cli.fault': 'A fault of Antler’s own.',
  },
} as const satisfies ProblemList;

/** Every problem there is, room by room. */
export const PROBLEM_LISTS: readonly ProblemList[] = [
  QUANTITY_PROBLEMS,
  WIRING_PROBLEMS,
  LEAD_PROBLEMS,
  DESCRIBED_PROBLEMS,
  DRILLING_PROBLEMS,
  ASSEMBLY_PROBLEMS,
  SITUATION_PROBLEMS,
  FILE_PROBLEMS,
  OWN_PROBLEMS,
  CIRCUIT_PROBLEMS,
  SIGNAL_PROBLEMS,
  PROVING_PROBLEMS,
  BENCH_PROBLEMS,
  VICE_PROBLEMS,
  HEAT_PROBLEMS,
  KIT_PROBLEMS,
  WORKBOX_PROBLEMS,
  STOCK_PROBLEMS,
  SWEEP_PROBLEMS,
  SHELL_PROBLEMS,
  SERVER_PROBLEMS,
];
