import { readFileSync } from 'node:fs';
import { CABLES, CONNECTORS, PORTS, TAILS } from '../core/catalogue';
import { readDeck, solveDeck } from '../core/circuit';
import { findings } from '../core/findings';
import { assemblyIn, jsonSchemas, leadFile, netlistFile } from '../core/formats';
import type { Problem, Result } from '../core/quantity';
import { derive, RECIPES, SCHOOLS, type Situation } from '../core/wiring';

const USAGE = `usage: antler derive INTENT.json    an intent → the lead, with its assembly
       antler check LEAD.json        a lead → what there is against it; exit 1 when something says stop
       antler netlist LEAD.json      a lead → its nets and parts
       antler recipes | schools | catalogue | schemas
A file name of - reads standard input. JSON goes to standard output, problems to standard error; exit 2 on bad input.
docs/formats.md describes the documents.`;

/** Bad input: the problems are said on standard error, each with the path of its field. */
class Bad extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('bad input');
  }
}

const bad = (code: string, says: string, path = ''): Bad => new Bad([{ code, says, path }]);

function unwrap<T>(result: Result<T>): T {
  if (!result.ok) throw new Bad(result.problems);
  return result.value;
}

function readText(file: string | undefined): string {
  if (file === undefined) throw bad('cli.file', 'Name a file, or - for standard input.');
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw bad('cli.file', `Cannot read ${file}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

function read(file: string | undefined): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
  } catch (error) {
    throw bad('cli.json', `${file} is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
}

const print = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

const isDocument = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** An intent by itself, or with a name beside it. */
function namedIntent(document: unknown): { readonly name: string; readonly intent: unknown } {
  if (!isDocument(document)) throw bad('cli.intent', 'An intent is expected: a JSON object.');
  const { name, intent } = document;
  return isDocument(intent)
    ? { name: typeof name === 'string' ? name : 'lead', intent }
    : { name: 'lead', intent: document };
}

/** What a lead file says it meets; the lead is refused where that is missing. */
function situationIn(document: unknown): Situation {
  const situation = isDocument(document) ? document['situation'] : undefined;
  if (!isDocument(situation) || !Array.isArray(situation['channels']) || !Array.isArray(situation['links']))
    throw bad(
      'cli.situation',
      'A lead file is expected, as derive writes it: what its ends meet is missing.',
      'situation',
    );
  return situation as unknown as Situation;
}

const COMMANDS: Readonly<Record<string, (file: string | undefined) => number>> = {
  derive(file) {
    const { name, intent } = namedIntent(read(file));
    print(leadFile(name, unwrap(derive(intent))));
    return 0;
  },
  check(file) {
    const document = read(file);
    const found = findings(unwrap(assemblyIn(document)), situationIn(document));
    print({ findings: found });
    return found.some((finding) => finding.severity === 'stop') ? 1 : 0;
  },
  netlist(file) {
    print(netlistFile(unwrap(assemblyIn(read(file)))));
    return 0;
  },
  solve(file) {
    print(unwrap(solveDeck(unwrap(readDeck(readText(file))))));
    return 0;
  },
  recipes() {
    print(RECIPES.map(({ id, name, source }) => ({ id, name, source })));
    return 0;
  },
  schools() {
    print(SCHOOLS);
    return 0;
  },
  schemas() {
    print(jsonSchemas());
    return 0;
  },
  catalogue() {
    print({
      connectors: CONNECTORS,
      tails: Object.entries(TAILS).map(([id, tail]) => ({ id, ...tail })),
      cables: CABLES,
      ports: PORTS,
    });
    return 0;
  },
};

function main([command = '', file]: readonly string[]): number {
  const run = COMMANDS[command];
  if (!run) {
    console.error(USAGE);
    return command === 'help' || command === '--help' ? 0 : 2;
  }
  try {
    return run(file);
  } catch (error) {
    if (!(error instanceof Bad)) throw error;
    for (const { code, says, path } of error.problems)
      console.error(path === '' ? `${says} (${code})` : `${path}: ${says} (${code})`);
    return 2;
  }
}

process.exitCode = main(process.argv.slice(2));
