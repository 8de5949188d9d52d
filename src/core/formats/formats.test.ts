import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { connectorNamed, houseCable } from '../../../tests/support/own';
import { derive } from '../lead';
import { INTENT_VERSION } from '../wiring';
import { assemblyIn, netlistFile, takeIn } from '.';

const file = (): Record<string, unknown> =>
  JSON.parse(JSON.stringify({ ...leadFor(), name: 'Bridge' })) as Record<string, unknown>;
const problems = (document: unknown): (readonly [string, string])[] => {
  const taken = takeIn(document);
  return taken.ok ? [] : taken.problems.map((problem) => [problem.code, problem.path] as const);
};

describe('a file that cannot be taken in is refused with the reason', () => {
  it.each([
    ['no object', 7, 'file.not-antler', ''],
    ['another program’s', { kind: 'drawing' }, 'file.not-antler', 'antler'],
    ['without a version', { antler: 'lead' }, 'file.version', 'version'],
    ['a newer one', { ...file(), version: 9 }, 'file.newer', 'version'],
    ['a job without leads', { antler: 'job', version: 1 }, 'file.leads', 'leads'],
    ['a job with a broken lead', { antler: 'job', version: 1, leads: [file(), 3] }, 'file.lead', 'leads[1].'],
    ['without a name', { ...file(), name: '' }, 'shape.required', 'name'],
    ['with an intent that is none', { ...file(), intent: 7 }, 'shape.typeError', 'intent'],
    [
      'with an assembly cut short',
      { ...file(), assembly: { version: 2 } },
      'shape.optionality',
      'assembly.bodies',
    ],
    [
      'with a newer intent',
      { ...file(), intent: { ...(file()['intent'] as object), version: INTENT_VERSION + 1 } },
      'intent.newer',
      'intent.version',
    ],
  ])('%s', (_, document, code, path) => {
    const found = problems(document);
    expect(
      found.some(([c, p]) => c === code && p === path),
      JSON.stringify(found),
    ).toBe(true);
  });
});

describe('how long what is said may be', () => {
  const overruled = (letters: number) => {
    const lead = file() as { situations: object[] };
    return problems({
      ...lead,
      situations: lead.situations.map((use) => ({
        ...use,
        overruled: [{ id: 'x', says: 'Done anyway.', hear: 'x'.repeat(letters) }],
      })),
    }).map(([, path]) => path);
  };

  it('400 letters, and not one more', () => {
    expect(overruled(400)).toEqual([]);
    expect(overruled(401)).toEqual(['situations[0].overruled[0].hear']);
  });
});

describe('what a job brings beside its leads', () => {
  const unit = {
    lead: 0,
    number: 1,
    builder: 'Ines',
    startedAt: '2026-05-01T08:00:00.000Z',
    plan: { version: 1 },
    records: [],
  };
  const job = (more: object = {}) => ({ antler: 'job', version: 3, name: 'Tour', leads: [file()], ...more });

  it('a job of before had no units, and a lead has none', () => {
    for (const document of [job(), { ...job(), version: 1 }, file()]) {
      const taken = takeIn(document);
      expect(taken.ok && taken.units).toEqual([]);
    }
  });

  it.each([
    ['a plan that is none', { ...unit, plan: { version: 99 } }, /^units\[0\]\.plan\./],
    ['a lead that the file does not have', { ...unit, lead: 1 }, /^units\[0\]\.lead$/],
    ['no builder', { ...unit, builder: '' }, /^units\[0\]\.builder$/],
    ['a builder of 61 letters', { ...unit, builder: 'x'.repeat(61) }, /^units\[0\]\.builder$/],
    ['a number that no workshop reaches', { ...unit, number: 1_000_000 }, /^units\[0\]\.number$/],
    ['more than a unit has', { ...unit, colour: 'red' }, /^units\[0\]\.colour$/],
  ])('a unit with %s is refused at its field, and nothing is taken in', (_, broken, path) => {
    const taken = takeIn(job({ units: [broken] }));
    expect(taken.ok).toBe(false);
    expect(taken.ok ? [] : taken.problems.map((problem) => problem.path)).toContainEqual(
      expect.stringMatching(path),
    );
  });
});

describe('ids that this catalogue does not have', () => {
  const foreign = (): Record<string, unknown> => {
    const whole = file();
    const intent = whole['intent'] as Record<string, unknown>;
    return {
      ...whole,
      intent: {
        ...intent,
        cable: 'velvet-pair',
        to: [{ port: 'tin-can', family: 'string', gender: 'plug' }],
      },
    };
  };

  it('are each listed with what could stand for them', () => {
    const taken = takeIn(foreign());
    expect(taken.ok).toBe(false);
    if (taken.ok) return;
    expect(taken.unknown.map((each) => [each.kind, each.id, each.path])).toEqual([
      ['port', 'tin-can', 'intent.to[0].port'],
      ['family', 'string', 'intent.to[0].family'],
      ['cable', 'velvet-pair', 'intent.cable'],
    ]);
    for (const each of taken.unknown) expect(each.instead.length).toBeGreaterThan(5);
  });

  it('are asked for also where there is one alone', () => {
    const whole = file();
    const intent = whole['intent'] as Record<string, unknown>;
    const taken = takeIn({ ...whole, intent: { ...intent, cable: 'velvet-pair' } });
    expect(!taken.ok && taken.unknown.map(({ id }) => id)).toEqual(['velvet-pair']);
  });

  it('are read again with a mapping; the wiring is then worked out afresh', () => {
    const taken = takeIn(foreign(), {
      'port:tin-can': 'line-input',
      'family:string': 'trs635',
      'cable:velvet-pair': 'pair-spiral',
    });
    expect(taken.ok && taken.leads[0]?.lead.intent?.to).toEqual([{ port: 'line-input', family: 'trs635' }]);
    expect(taken.ok && taken.leads[0]?.same).toBe(false);
  });
});

describe('connectors and cables of the workshop’s own', () => {
  const connector = connectorNamed('Old talkback');
  const cable = houseCable();

  it('are used like any other, and travel inside the lead that uses them', () => {
    const derived = derive({
      version: 5,
      from: [{ port: 'microphone', family: connector.family, pinout: { hot: '2', cold: '3', screen: '1' } }],
      to: [{ port: 'microphone-input', family: 'xlr3' }],
      length: { mm: 5000, datum: 'face' },
      surroundings: 'stage',
      cable: cable.id,
      own: { connectors: [connector], cables: [cable] },
      schools: {},
    });
    if (!derived.ok) throw new Error(JSON.stringify(derived.problems));
    expect(Object.values(netlistFile(derived.value.assembly).nets).filter((net) => net.length > 1)).toEqual([
      ['A.1', 'B.1'],
      ['A.2', 'B.2'],
      ['A.3', 'B.3'],
    ]);
    const taken = takeIn(JSON.parse(JSON.stringify({ ...derived.value, name: 'Old' })));
    expect(taken.ok && taken.leads[0]?.same).toBe(true);
  });
});

describe('what the shell’s commands read', () => {
  it('an assembly is found in a lead file or by itself', () => {
    const { assembly } = leadFor();
    const bare: unknown = JSON.parse(JSON.stringify(assembly));
    expect(assemblyIn(bare)).toEqual(assemblyIn(file()));
    expect(assemblyIn(3).ok).toBe(false);
    const broken = assemblyIn({ ...file(), assembly: { version: 2 } });
    expect(broken.ok ? '' : broken.problems[0]?.path).toBe('assembly.bodies');
  });

  it('a control’s gangs have each their track', () => {
    const box = leadFor({
      from: { port: 'headphone-output', family: 'trs635' },
      to: { port: 'headphones', family: 'trs635' },
      form: 'box',
    });
    const [control] = netlistFile(box.assembly).parts;
    expect(control).toMatchObject({ id: 'RV1', kind: 'potentiometer', values: { left: 100, right: 100 } });
    expect(Object.keys(control?.leads ?? {})).toHaveLength(6);
  });
});
