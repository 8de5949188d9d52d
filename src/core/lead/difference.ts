import { netlist, valueOf, type Assembly } from '../assembly';

/** What two assemblies differ in, in words: what is joined in one and not in the other, and their parts. */
export function difference(before: Assembly, after: Assembly): readonly string[] {
  const joined = (assembly: Assembly): ReadonlySet<string> =>
    new Set(
      netlist(assembly).nets.flatMap(({ contacts: [first, ...others] }) =>
        others.map((other) => `${first ?? ''} with ${other}`),
      ),
    );
  const parts = (assembly: Assembly): ReadonlySet<string> =>
    new Set(
      assembly.bodies.flatMap((body) =>
        body.parts.map((part) =>
          [part.kind, part.id, valueOf(part)].filter((each) => each !== undefined).join(' '),
        ),
      ),
    );
  const [wasJoined, isJoined] = [joined(before), joined(after)];
  const [hadParts, hasParts] = [parts(before), parts(after)];
  const without = (all: ReadonlySet<string>, others: ReadonlySet<string>, says: (each: string) => string) =>
    [...all].filter((each) => !others.has(each)).map(says);
  return [
    ...without(wasJoined, isJoined, (each) => `no longer ${each}`),
    ...without(isJoined, wasJoined, (each) => `now ${each}`),
    ...without(hadParts, hasParts, (each) => `without ${each}`),
    ...without(hasParts, hadParts, (each) => `with ${each}`),
  ];
}
