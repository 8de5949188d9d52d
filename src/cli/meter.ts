import { provenOf } from '../core/bench';
import { faultsOf, type Variant } from '../core/proving';
import { AT_REST, ScpiMeter, serveMeter, underTest } from '../devices/meter';
import { leadIn, read } from './files';
import { bad, options } from './options';

/** A number from 0 up to below 1, from a seed: the same noise each time (a generator by G. Marsaglia, “Xorshift RNGs”, 2003, from memory). */
function chanceOf(seed: number): () => number {
  let state = (seed | 0) === 0 ? 1 : seed | 0;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
}

function numberIn(text: string | undefined, name: string, usual: number, most: number): number {
  if (text === undefined) return usual;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < 0 || value > most)
    throw bad('cli.number', `${name} is a number from 0 to ${most}, and “${text}” is not.`, name);
  return value;
}

/**
 * `antler meter LEAD [--fault ID | --built LEAD2] [--port N] [--host H] [--noise SHARE] [--bounce N] [--seed N]`: a stand-in for a bench meter whose leads are on
 * that lead, until it is stopped. Prints where it listens, as one line of JSON.
 */
export async function meterCommand(file: string | undefined, more: readonly string[]): Promise<number> {
  const given = options(more, ['fault', 'built', 'port', 'host', 'noise', 'bounce', 'seed']);
  const lead = leadIn(read(file)).document;
  if (given['fault'] !== undefined && given['built'] !== undefined)
    throw bad('cli.option', 'Give one of --fault and --built: each says what was really made.');
  const built: Variant =
    given['built'] !== undefined
      ? leadIn(read(given['built'])).document
      : given['fault'] !== undefined
        ? variantOf(given['fault'])
        : lead;
  const meter = new ScpiMeter(underTest(lead, built), {
    ...AT_REST,
    noise: numberIn(given['noise'], 'noise', 0, 0.5),
    bounce: numberIn(given['bounce'], 'bounce', 0, 1000),
    chance: chanceOf(numberIn(given['seed'], 'seed', 1, 2 ** 31)),
  });
  const port = numberIn(given['port'], 'port', 0, 65_535);
  const server = await serveMeter(meter, { port, host: given['host'] ?? '127.0.0.1' }).catch(
    (error: unknown) => {
      throw bad(
        'cli.port',
        `It cannot listen there: ${error instanceof Error ? error.message : String(error)}`,
        'port',
      );
    },
  );
  process.stdout.write(`${JSON.stringify({ host: server.host, port: server.port })}\n`);
  await new Promise<void>((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => resolve());
  });
  await server.close();
  return 0;

  function variantOf(id: string): Variant {
    const { assembly, situation } = provenOf(lead);
    const [variant] =
      faultsOf(assembly, situation)
        .find((each) => each.id === id)
        ?.variants() ?? [];
    if (!variant)
      throw bad('proof.fault', `This lead has no fault “${id}”: “prove” lists those it can have.`, 'fault');
    return variant;
  }
}
