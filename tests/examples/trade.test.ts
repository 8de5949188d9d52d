import { describe, expect, it } from 'vitest';
import { connectorOf, endById, netlist, valueOf, type Assembly } from '../../src/core/assembly';
import { findings } from '../../src/core/findings';
import { derive, readLead } from '../../src/core/lead';
import { TRADE } from './trade';

/** A shell that is one metal with a contact of its own says nothing that the contact does not. */
function isSaid(assembly: Assembly, contact: string): boolean {
  const [end = '', id] = contact.split('.');
  const found = endById(assembly, end);
  const bonded = found && connectorOf(assembly, found)?.bonded;
  return id !== 'shell' || !(bonded ?? []).some((metal) => metal.includes('shell'));
}

const joined = (assembly: Assembly): readonly string[] =>
  netlist(assembly)
    .nets.map((net) => net.contacts.filter((contact) => isSaid(assembly, contact)))
    .filter((contacts) => contacts.length > 1)
    .map((contacts) => [...contacts].sort().join(' '))
    .sort();
const asWritten = (nets: string): readonly string[] =>
  (nets === '' ? [] : nets.split(' | ')).map((net) => net.split(' ').sort().join(' ')).sort();

/** Parts as the hand wrote them and as they are: kind, value, and the contacts that each lead is on; a net inside is `~`. */
const MIRRORED = new Set(['resistor']);
const partLine = (
  kind: string,
  value: string,
  leads: readonly (readonly [name: string, at: string])[],
): string =>
  [
    kind,
    value,
    ...(MIRRORED.has(kind) ? leads.map(([, at]) => at) : leads.map(([name, at]) => `${name}=${at}`)).sort(),
  ].join(' ');

function partsOf(assembly: Assembly, values: boolean): readonly string[] {
  const { nets, parts } = netlist(assembly);
  const at = (name: string | undefined): string =>
    (nets.find((net) => net.name === name)?.contacts ?? [])
      .filter((contact) => isSaid(assembly, contact))
      .sort()[0] ?? '~';
  return parts
    .map(({ part, leads }) =>
      partLine(
        part.kind,
        values ? `${valueOf(part)}` : '=',
        Object.entries(leads).map(([lead, net]) => [lead, at(net)]),
      ),
    )
    .sort();
}
function partsWritten(assembly: Assembly, text: string): readonly string[] {
  const { nets, netOf } = netlist(assembly);
  const first = (contact: string): string => {
    if (contact.startsWith('~')) return '~';
    const net = netOf.get(contact)?.name;
    return (
      (nets.find((each) => each.name === net)?.contacts ?? [])
        .filter((each) => isSaid(assembly, each))
        .sort()[0] ?? contact
    );
  };
  return text
    .split('; ')
    .map((part) => {
      const [, kind = '', value = '', ...leads] = part.split(' ');
      return partLine(
        kind,
        value === '=' ? '=' : `${Number(value)}`,
        leads.map((each) => each.split('=') as [string, string]).map(([name, at]) => [name, first(at)]),
      );
    })
    .sort();
}

it('there are as many as were asked for, and none twice', () => {
  expect(TRADE.length).toBeGreaterThanOrEqual(80);
  expect(new Set(TRADE.map(({ says }) => says)).size).toBe(TRADE.length);
});

describe.each(TRADE)('row $row: $says', ({ intent, nets, parts, refused, against, recipe }) => {
  const made = derive(intent);

  if (refused !== undefined) {
    it(`is refused: ${refused}`, () => {
      expect(made.ok ? ['made'] : made.problems.map(({ code }) => code)).toContain(refused);
    });
    return;
  }
  it('has the nets and the parts that were written', () => {
    const { assembly, because } = made.ok
      ? made.value
      : expect.fail(made.problems.map(({ says }) => says).join(' '));
    expect(joined(assembly)).toEqual(asWritten(nets ?? ''));
    expect(partsOf(assembly, !parts?.includes(' = '))).toEqual(
      parts === undefined ? [] : partsWritten(assembly, parts),
    );
    if (recipe !== undefined) expect(because.recipe?.id).toBe(recipe);
  });

  it('is a document that can be opened', () => {
    const read = readLead(JSON.parse(JSON.stringify(made.ok ? made.value : null)));
    expect(read.ok ? [] : read.problems).toEqual([]);
  });

  it(against ? `has against it: ${against.join(', ')}` : 'has no stop against it', () => {
    const found = made.ok ? findings(made.value) : [];
    const said = found.map(({ rule, severity }) => `${rule} ${severity}`);
    for (const each of against ?? []) expect(said).toContain(each);
    if (!against)
      expect(found.filter(({ severity }) => severity === 'stop').map(({ says }) => says)).toEqual([]);
  });
});
