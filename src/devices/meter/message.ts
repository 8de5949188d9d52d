import type { ScpiError } from './errors';

/** One unit of a program message: its header as written, whole from the root, and its arguments. */
export interface Unit {
  /** Mnemonics from the root, in capitals; of a common command one, with its asterisk. */
  readonly path: readonly string[];
  readonly isQuery: boolean;
  readonly args: readonly string[];
}

/** What a program message comes to: its units in order, and an error in place of one that cannot be read. */
export type Parsed = Unit | { readonly error: ScpiError };

/** Splits where a sign stands outside of quotes; nothing where a quote is not closed. */
function split(text: string, sign: string): readonly string[] | undefined {
  const parts = [''];
  let quote = '';
  for (const letter of text) {
    if (quote === '' && letter === sign) parts.push('');
    else {
      if (letter === quote) quote = '';
      else if (quote === '' && (letter === '"' || letter === "'")) quote = letter;
      parts[parts.length - 1] += letter;
    }
  }
  return quote === '' ? parts : undefined;
}

const unquoted = (text: string): string => {
  const plain = text.trim();
  const quote = plain.charAt(0);
  return (quote === '"' || quote === "'") && plain.endsWith(quote) && plain.length > 1
    ? plain.slice(1, -1)
    : plain;
};

const HEADER = /^(\*[A-Za-z]+|:?[A-Za-z][A-Za-z0-9]*(?::[A-Za-z][A-Za-z0-9]*)*)(\??)$/;

/**
 * Reads a program message: units parted by semicolons; a header that begins with no colon goes on from where the one before it stood (SCPI 1999, volume
 * 1, section 6.2.4; from memory). Common commands change nothing of that.
 */
export function readMessage(line: string): readonly Parsed[] {
  const units = split(line, ';');
  if (!units) return [{ error: -102 }];
  let here: readonly string[] = [];
  return units.flatMap((text): readonly Parsed[] => {
    const plain = text.trim();
    if (plain === '') return [];
    const [, head = '', rest = ''] = /^(\S+)\s*([\s\S]*)$/.exec(plain) ?? [];
    const header = HEADER.exec(head);
    const args = rest === '' ? [] : split(rest, ',');
    if (!header || !args) return [{ error: -102 }];
    const [, name = '', query = ''] = header;
    const isQuery = query === '?';
    if (name.startsWith('*')) return [{ path: [name.toUpperCase()], isQuery, args: args.map(unquoted) }];
    const written = name.replace(/^:/, '').toUpperCase().split(':');
    const path = name.startsWith(':') ? written : [...here, ...written];
    here = path.slice(0, -1);
    return [{ path, isQuery, args: args.map(unquoted) }];
  });
}

/** Whether a mnemonic is written short or long: `MEASure` is MEAS or MEASURE, and nothing between. */
const isWritten = (pattern: string, written: string): boolean =>
  written === pattern.toUpperCase() || written === pattern.replace(/[a-z]/g, '');

/** Whether a path is that of a command, `MEASure[:SCALar]:RESistance`, whose bracketed mnemonics may be left out. */
export function isPath(command: string, path: readonly string[]): boolean {
  const nodes = [...command.matchAll(/\[:([A-Za-z]+)\]|:?(\*?[A-Za-z]+)/g)].map(([, left, kept]) => ({
    name: left ?? kept ?? '',
    isOptional: left !== undefined,
  }));
  const match = (n: number, k: number): boolean => {
    const node = nodes[n];
    if (!node) return k === path.length;
    const written = path[k];
    return (
      (written !== undefined && isWritten(node.name, written) && match(n + 1, k + 1)) ||
      (node.isOptional && match(n + 1, k))
    );
  };
  return match(0, 0);
}
