import { connectAtLeisure } from '../server/db';
import { manyLeads } from './many-leads';

/**
 * `npm run bench house`: what whoever opens the board waits for, with the leads of the demo and with 20 000; and the export of
 * a job of ten among them. Whole answers over HTTP, medians. Needs DATABASE_URL and ANTLER_URL of a running app.
 */
const base = process.env['ANTLER_URL'] ?? '';
const ROUNDS = 15;
/** What each may take, ms. */
const BUDGET = { board: 50, export: 200 } as const;

interface Job {
  readonly id: string;
  readonly all: number;
  readonly leads: readonly { readonly id: string }[];
}

async function heard(path: string): Promise<string> {
  const answer = await fetch(base + path);
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return answer.text();
}

/** How long answers take, one after the other, ms: the first, and the middle one of the rest. */
async function timed(path: string): Promise<{ readonly first: number; readonly usual: number }> {
  const times: number[] = [];
  for (let round = 0; round <= ROUNDS; round++) {
    const from = performance.now();
    await heard(path);
    times.push(performance.now() - from);
  }
  const [first = 0, ...rest] = times;
  return { first, usual: rest.sort((a, b) => a - b)[Math.floor(rest.length / 2)] ?? 0 };
}

async function report(what: string, path: string, most: number): Promise<void> {
  const { first, usual } = await timed(path);
  if (usual > 3 * most) process.exitCode = 1;
  console.info(
    `${usual.toFixed(1).padStart(8)} ms, ${first.toFixed(0).padStart(5)} the first time; ${usual > most ? `over its ${most} ms` : 'within'}; ${what}`,
  );
}

const boardOf = async (query = ''): Promise<readonly Job[]> =>
  JSON.parse(await heard(`/api/board${query}`)) as readonly Job[];

/** The board by itself, as a page, and what is asked of it. */
async function look(leads: string, find: string): Promise<void> {
  await report(`the board’s answer, ${leads}`, '/api/board', BUDGET.board);
  await report(`the board as a page, ${leads}`, '/', BUDGET.board);
  await report(`found on it by its words, ${leads}`, `/api/board?find=${find}`, BUDGET.board);
}

const few = await boardOf();
const model = few[0]?.leads[0]?.id ?? '';
const count = few.reduce((sum, job) => sum + job.all, 0);
await look(`${count} leads`, 'box');
const db = connectAtLeisure(process.env['DATABASE_URL'] ?? '');
await manyLeads(db, model, { jobs: 400, each: 50 });
await manyLeads(db, model, { named: 'Fair', jobs: 1, each: 10 });
await db.destroy();
await look('20 000 leads', 'tour');
const [ten] = await boardOf('?find=fair');
await report('export of a job of ten leads among 20 000', `/api/jobs/${ten?.id}/export`, BUDGET.export);
