import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../../tests/examples/read';
import { leadFor } from '../../../../tests/support/leads';
import { netlist, readAssembly, terminalsOf, type Assembly } from '../../assembly';
import { findings } from '../../findings';
import { applyEdit, derive, possibleEdits, type Edit } from '..';

const plain = leadFor();
const said = (assembly: Assembly, at: string): readonly string[] =>
  possibleEdits(assembly, at).map(({ group, says }) => `${group} ${says}`);
const nets = (assembly: Assembly): readonly string[] =>
  netlist(assembly).nets.flatMap((net) => (net.contacts.length > 1 ? net.contacts.join(' ') : []));
function after(assembly: Assembly, at: string, deed: string): Assembly {
  const found = possibleEdits(assembly, at).find(({ group, says }) => `${group} ${says}` === deed);
  const made = found && applyEdit(assembly, found.edit);
  if (!made?.ok) throw new Error(`${at}: no “${deed}” among ${said(assembly, at).join(', ')}`);
  return made.value;
}

describe('what can be done by hand at a place', () => {
  it('of a core: every other contact of its plug, every other core, and the three ways of leaving it', () =>
    expect(said(plain.assembly, 'W1.white@a')).toEqual([
      'move to A.1',
      'move to A.3',
      'move to A.shell',
      'change places with black',
      'change places with screen',
      'leave it cut it back',
      'leave it insulate it',
      'leave it keep it as a spare',
    ]));

  it('of a contact: links to the others, and parting from what it is linked to', () => {
    expect(said(plain.assembly, 'B.1')).toEqual(['link to B.2', 'link to B.3', 'link to B.shell']);
    const linked = after(plain.assembly, 'B.1', 'link to B.shell');
    expect(nets(linked)).toContain('A.1 B.1 B.shell');
    expect(nets(after(linked, 'B.1', 'part from B.shell'))).toEqual(nets(plain.assembly));
  });

  it('nothing of what is not there, or was there before', () => {
    expect(possibleEdits(plain.assembly, 'A.9')).toEqual([]);
    expect(possibleEdits(plain.assembly, 'W1.green@a')).toEqual([]);
  });

  it.each(EXAMPLES.map((example) => [example.id, example] as const))(
    '%s: each leaves a sound document that is another one',
    (_, example) => {
      const { assembly } = leadOf(example);
      const terminals = terminalsOf(assembly);
      // Of large leads every so many: what is asked here takes a while.
      const every = Math.max(1, Math.floor(terminals.length / 5));
      for (const at of terminals.filter((_each, n) => n % every === 0))
        for (const { edit } of possibleEdits(assembly, at).filter((_deed, n) => n % every === 0)) {
          const made = applyEdit(assembly, edit);
          if (!made.ok) throw new Error(`${at}: ${JSON.stringify(edit)}`);
          expect(made.value).not.toEqual(assembly);
          expect(readAssembly(made.value).ok, JSON.stringify(edit)).toBe(true);
        }
    },
  );
});

describe('ten changes by hand, each seen by the rule that has to', () => {
  const sum = leadFor({
    from: { port: 'headphone-output', family: 'trs35' },
    to: { port: 'line-input', family: 'xlr3' },
    cable: 'pair-mini',
  });
  const ruled = ({ intent }: ReturnType<typeof leadFor>, ...edits: readonly Edit[]): readonly string[] => {
    if (!intent) throw new Error('an intent');
    const made = derive(intent, edits);
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    expect(made.value.because.lapsed).toEqual([]);
    return findings(made.value).map(({ rule, severity }) => `${severity} ${rule}`);
  };

  it.each([
    ['hot and cold crossed', plain, 'W1.white@b', 'change places with black', 'stop crossed'],
    ['a core cut back', plain, 'W1.black@a', 'leave it cut it back', 'stop not-carried'],
    ['hot on the ground', plain, 'W1.white@a', 'move to A.1', 'stop shorted'],
    ['screen and hot crossed', plain, 'W1.screen@b', 'change places with white', 'stop crossed'],
    ['hot linked to cold', plain, 'A.2', 'link to A.3', 'stop shorted'],
    ['cold on the shell', plain, 'W1.black@b', 'move to B.shell', 'stop stray-contact'],
    ['the screen off', plain, 'W1.screen@a', 'leave it insulate it', 'caution screen-return'],
    ['a resistor of the sum taken out', sum, 'R1.a', 'the part take it out', 'stop not-carried'],
    ['left past its resistor', sum, 'A.T', 'link to A.R', 'stop outputs-joined'],
    ['a leg of a resistor on the shell', sum, 'R2.b', 'move to B.shell', 'stop not-carried'],
  ] as const)('%s', (_, lead, at, deed, rule) => {
    const found = possibleEdits(lead.assembly, at).find(({ group, says }) => `${group} ${says}` === deed);
    if (!found) throw new Error(said(lead.assembly, at).join(', '));
    const before = ruled(lead);
    expect(before).not.toContain(rule);
    expect(ruled(lead, found.edit)).toContain(rule);
  });
});
