import { readFileSync } from 'node:fs';
import { open, type WholeLead } from '../core/front';
import { readLead } from '../core/lead';
import { isObject, type Result } from '../core/quantity';
import { bad, Bad } from './options';

/** What was read; its problems are thrown where it could not be. */
export function unwrap<T>(result: Result<T>): T {
  if (!result.ok) throw new Bad(result.problems);
  return result.value;
}

/** A file as text; `-` is standard input. */
export function readText(file: string | undefined): string {
  if (file === undefined) throw bad('cli.file', 'Name a file, or - for standard input.');
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw bad('cli.file', `Cannot read ${file}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** A file as JSON. */
export function read(file: string | undefined): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
  } catch (error) {
    throw bad('cli.json', `${file} is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** Prints JSON. */
export const print = (value: unknown): void =>
  void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

/** A lead as `derive` writes it, checked whole: the file is refused where any of it is not sound. */
export function leadIn(document: unknown): WholeLead {
  if (!isObject(document) || document['antler'] !== 'lead')
    throw bad('cli.lead', 'A lead file is expected, as derive writes it: “antler” is not “lead”.', 'antler');
  return open(unwrap(readLead(document)));
}
