import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { remadeEnds, sayRemade } from '../cutting';
import { dressed } from '../dressing';
import { kitSheet } from '../kit';
import { derive, schoolsOf, type Lead } from '../lead';
import { resolveSchools, SCHOOLS, type ChosenSchools } from '../wiring';
import { courseOf } from './course';
import { courseHangsOn } from './hanging';
import { stepsOf } from './plan';
import { refusal } from './progress';
import { cutOff, madeAnew, reopened } from './reopen';
import { sequence } from './sequence';
import { after, NEW_STATE, type BenchState } from './state';
import { planOf } from './whole-plan';

/** The same lead, worked on by other answers. */
const by = (lead: Lead, chosen: ChosenSchools): Lead => ({
  ...lead,
  schools: { ...schoolsOf(lead), ...chosen },
});
const course = (lead: Lead, chosen: ChosenSchools = {}) => {
  const other = by(lead, chosen);
  return sequence(dressed(other), schoolsOf(other));
};
const stage = leadNamed('stage-microphone');
const said = (steps: ReturnType<typeof sequence>, kind: string, end?: string): string =>
  steps
    .filter((op) => op.kind === kind && (end === undefined || op.end === end))
    .flatMap(({ title, detail }) => [title, ...detail])
    .join(' ');
const kinds = (steps: ReturnType<typeof sequence>, end?: string): readonly string[] =>
  steps.filter((op) => end === undefined || op.end === end).map(({ kind }) => kind);

// The schools of the trade’s second list, and what each changes (common practice).
describe('how full a cup is', () => {
  it('to the brim is said, with what runs over', () => {
    expect(said(course(stage), 'tin contacts')).toContain('slightly under');
    expect(said(course(stage, { cups: 'brim' }), 'tin contacts')).toMatch(/to the brim.*next cup/);
  });

  it('as much as is on the wire: no cup is heated before, and each joint says to look whether it has run in', () => {
    const steps = course(stage, { cups: 'on-wire' });
    expect(kinds(steps)).not.toContain('tin contacts');
    for (const op of steps.filter(({ kind }) => kind === 'solder'))
      expect(op.detail.join(' '), op.title).toContain('Its cup is empty');
  });

  it('legs of parts are tinned by nobody else: they are before they go into an empty cup', () => {
    const steps = course(leadNamed('stereo-sum'), { cups: 'on-wire' });
    const into = (contact: string): string =>
      steps
        .filter(({ kind, title }) => kind === 'solder' && title.includes(`to contact ${contact} at end B`))
        .flatMap(({ detail }) => detail)
        .join(' ');
    expect(into('2')).toContain('tin the legs first, and what is on them fills it');
    expect(into('1')).toContain('what is on the wire fills it');
  });

  it('sockets left untinned: the plug of the lead is filled, its socket is not', () => {
    const steps = course(stage, { cups: 'plugs-only' });
    const [socket, plug] = ['A', 'B'];
    expect(kinds(steps, socket)).not.toContain('tin contacts');
    expect(said(steps, 'tin contacts', plug)).toContain('slightly under');
    expect(said(steps, 'solder', socket)).toContain('Its cup is empty');
    expect(said(steps, 'solder', plug)).not.toContain('Its cup is empty');
  });

  it('says nothing of tabs, and nothing where contacts are not tinned at all', () => {
    const tabs = leadNamed('instrument-lead');
    expect(course(tabs, { cups: 'on-wire' })).toEqual(course(tabs));
    const plain = course(stage, { contacts: 'plain', cups: 'on-wire' });
    expect(plain).toEqual(course(stage, { contacts: 'plain' }));
  });
});

describe('tinned, then all cut blunt', () => {
  it('at each end after tinning and before the first joint, as long as it was to be bare', () => {
    const steps = course(stage, { 'trim-order': 'tin-first' });
    for (const end of ['A', 'B']) {
      const at = (kind: string): number => kinds(steps, end).indexOf(kind);
      expect(at('trim')).toBeLessThan(at('tin cores'));
      expect(at('tin cores')).toBeLessThan(at('blunt'));
      expect(at('blunt')).toBeLessThan(at('solder'));
    }
    expect(said(steps, 'trim')).toContain('Bare a little more');
    const bare = /Bare (\d+ mm) of/.exec(said(course(stage), 'trim', 'A'))?.[1] ?? '?';
    expect(said(steps, 'blunt', 'A')).toContain(`Tinned ends ${bare} long`);
    expect(steps.filter(({ kind }) => kind === 'blunt').map(({ caution }) => caution)).toEqual([
      'Clippings fly: eye protection.',
      'Clippings fly: eye protection.',
    ]);
  });

  it('nothing is tinned under a screw, and nothing of lacquer is bared to be cut', () => {
    const screwed = leadNamed('loudspeaker-two-pole');
    expect(course(screwed, { 'trim-order': 'tin-first' })).toEqual(course(screwed));
    const lacquered = course(leadNamed('headphone-unidentified'), { 'trim-order': 'tin-first' });
    expect(said(lacquered, 'trim')).not.toContain('Bare a little more');
  });
});

describe('extra flux', () => {
  it('is put on before tin, washed off before the look, and lies on the bench', () => {
    const steps = course(stage, { flux: 'extra' });
    expect(said(steps, 'tin cores')).toContain('rosin flux on the strands');
    expect(said(steps, 'tin contacts')).toContain('rosin flux in each');
    expect(said(steps, 'inspect')).toContain('Wash the flux off');
    const tools = (lead: Lead) => kitSheet([{ lead, count: 1 }]).tools.map(({ id }) => id);
    expect(tools(by(stage, { flux: 'extra' }))).toContain('flux');
    expect(tools(stage)).not.toContain('flux');
    expect(tools(by(leadNamed('loudspeaker-two-pole'), { flux: 'extra' }))).not.toContain('flux');
  });
});

describe('shrink all at the very end', () => {
  const fan = leadNamed('stereo-microphone-fan-out');
  const firstShrinkAt = (steps: ReturnType<typeof sequence>): number =>
    steps.findIndex(({ kind, end }) => kind === 'shrink' && end !== undefined);
  it('waits for every joint and every look; by the other school it does not', () => {
    const last = course(fan, { 'shrink-time': 'last' });
    const shrunk = firstShrinkAt(last);
    expect(shrunk).toBeGreaterThan(0);
    expect(kinds(last.slice(shrunk))).not.toContain('solder');
    expect(kinds(last.slice(shrunk))).not.toContain('inspect');
    expect(kinds(course(fan).slice(firstShrinkAt(course(fan))))).toContain('solder');
  });

  it('what is made on site waits for nobody at the bench, nor the bench for it', () => {
    const wall = leadNamed('through-the-wall');
    if (!wall.intent) throw new Error('it was asked for');
    // The screen ends at the bench’s end: its stump is sleeved there.
    const made = derive({ ...wall.intent, schools: { ...wall.intent.schools, screen: 'destination' } });
    if (!made.ok) throw new Error(made.problems[0]?.says);
    const steps = course(made.value, { 'shrink-time': 'last' });
    const pull = steps.findIndex(({ kind }) => kind === 'pull');
    expect(kinds(steps.slice(0, pull))).toEqual(expect.arrayContaining(['shrink', 'clamp']));
    expect(steps.slice(pull).some(({ kind, site }) => kind === 'solder' && site)).toBe(true);
  });
});

describe('a plug that is glued shut', () => {
  const glued = by(stage, { closing: 'glued' });
  it('is glued when it is proven, before it is labelled, with its shrink on from the start', () => {
    const steps = course(glued);
    expect(kinds(steps).slice(-4)).toEqual(['prove', 'seal', 'seal', 'label']);
    for (const end of ['A', 'B']) {
      expect(said(steps, 'thread', end)).toContain('Thread on');
      const threaded = steps.find(({ kind, end: at }) => kind === 'thread' && at === end)?.confirm ?? [];
      expect(threaded.join(' ')).toContain(`from the boot to the jacket of end ${end}`);
      expect(said(steps, 'seal', end)).toMatch(
        new RegExp(`metal threads only.*jacket of end ${end}\\. In one quick movement`),
      );
      expect(said(steps, 'seal', end)).toContain('takes a new one');
    }
  });

  it('its shrink is in the kit and passes over what it has to pass', () => {
    const lines = kitSheet([{ lead: glued, count: 1 }]).items.filter(({ id }) => /seal/.test(id ?? ''));
    expect(lines.reduce((sum, { count }) => sum + (count ?? 0), 0)).toBe(2);
    const own = dressed(glued).dressings.filter(({ id }) => id.startsWith('shrink-seal'));
    // An XLR’s boot is wider than any jacket it takes, and 6.5 mm have to be gripped.
    expect(own.map(({ size }) => (size?.suppliedMm ?? 0) > 8 && (size?.recoveredMm ?? 99) < 6.5)).toEqual([
      true,
      true,
    ]);
  });

  it('a course by other schools than the lead’s own is dressed by them too', () => {
    const threaded = courseOf(stage, { schools: { ...schoolsOf(stage), closing: 'glued' } }).steps.flatMap(
      ({ kind, gate = [] }) => (kind === 'thread' ? gate : []),
    );
    expect(threaded.filter((each) => each.includes('from the boot to the jacket'))).toHaveLength(2);
  });

  it('made again it loses what the plug hides as well, and takes a new one', () => {
    const plain = remadeEnds(stage.assembly, schoolsOf(stage))[0];
    const shut = remadeEnds(glued.assembly, schoolsOf(glued))[0];
    expect(shut?.lostMm).toBeCloseTo((plain?.lostMm ?? 0) + (plain?.insideMm ?? 0), 6);
    expect(shut?.insideMm).toBeUndefined();
    expect(shut?.allowances.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(shut?.lostMm ?? 0, 6);
    expect(sayRemade(shut ? [shut] : [], 'metric')[0]).toMatch(
      /hidden by the plug cut away.*glued: take a new one\.$/,
    );
  });

  it('what is found wrong inside one is mended with a new plug: all of its end, and nothing of the other', () => {
    const plan = stepsOf(planOf(glued));
    const all = new Set(plan.operations.map(({ id }) => id));
    const again = reopened(plan, all, 'solder-joint-A-2');
    const own = plan.operations.filter(({ end }) => end === 'A').map(({ id }) => id);
    expect(again.map(({ id }) => id).sort()).toEqual([...own, 'prove', 'label'].sort());
    expect(cutOff(again)).toEqual(['A']);
    expect(madeAnew(again)).toEqual({ spans: [], ends: ['A'] });
    // Cut again it takes all of its cable, and both plugs with it; one that is not glued its cable alone.
    expect(madeAnew(reopened(plan, all, 'cut-W1'))).toEqual({ spans: ['W1'], ends: ['B', 'A'] });
    const open = stepsOf(planOf(leadFor()));
    const done = new Set(open.operations.map(({ id }) => id));
    expect(madeAnew(reopened(open, done, 'cut-W1'))).toEqual({ spans: ['W1'], ends: [] });
    // Glue that did not hold is put on again, and no more.
    const glue = reopened(plan, all, 'seal-B');
    expect(glue.map(({ id }) => id)).toEqual(['label', 'seal-B']);
    expect(cutOff(glue)).toEqual([]);
    // It can be taken back one after the other, the last first.
    let state: BenchState = { ...NEW_STATE, done: [...all] };
    for (const { id: operation } of again) {
      const event = { id: operation, kind: 'undo' as const, operation, at: '2026-03-02T10:00:00Z' };
      expect(refusal(plan.operations, plan.before, state, event), operation).toBeUndefined();
      state = after(state, event);
    }
    expect(state.done).not.toContain('thread-A');
    expect(state.done).toContain('seal-B');
  });

  it('nothing of a box, a device, a plug without a cable, or an end that stays as it came is glued', () => {
    for (const id of ['volume-box', 'tell-tale', 'shorting-plug', 'pad-u-barrel'])
      expect(kinds(course(leadNamed(id), { closing: 'glued' })), id).not.toContain('seal');
    const donor = leadFor({}, [{ kind: 'stay', end: 'B' }]);
    const steps = course(donor, { closing: 'glued' });
    expect(steps.filter(({ kind }) => kind === 'seal').map(({ end }) => end)).toEqual(['A']);
    expect(
      course(leadNamed('record-player-unified'), { closing: 'glued' }).some(
        ({ kind, title }) => kind === 'seal' && /player/.test(title),
      ),
    ).toBe(false);
  });
});

it('a control’s nub has a hole of its own, or is ground off', () => {
  const box = leadNamed('volume-box');
  expect(said(course(box), 'drill')).toMatch(/small hole beside it for its locating nub\./);
  expect(said(course(box, { 'locating-nub': 'ground-off' }), 'drill')).toMatch(
    /grind its locating nub off: no hole/,
  );
});

it.each([
  ['bare', 'jacket tool'],
  ['tinned', 'iron'],
  ['spade', 'crimper'],
  ['ferrule', 'crimper'],
  ['ring', 'crimper'],
  ['pin', 'iron'],
  [undefined, 'iron'],
] as const)('loose wires that end %s are finished with the %s', (finish, tool) => {
  const tail = leadNamed('line-to-tinned-tail');
  const bodies = tail.assembly.bodies.map((body) => ({
    ...body,
    ends: body.ends.map((end) =>
      end.loose ? { ...end, loose: end.loose.map((wire) => ({ ...wire, finish })) } : end,
    ),
  }));
  const steps = course({ ...tail, assembly: { ...tail.assembly, bodies } });
  expect(steps.filter(({ kind }) => kind === 'finish').map((step) => step.tool)).toEqual([tool]);
});

it('the pins of a test tail are soldered on, or wound without heat', () => {
  const tail = leadNamed('test-tail');
  const finish = (chosen: ChosenSchools) => course(tail, chosen).find(({ kind }) => kind === 'finish');
  expect(finish({})?.detail.join(' ')).toContain('Solder a pin');
  expect(finish({})?.caution).toContain('Hot iron');
  expect(finish({ 'tail-pins': 'wound' })?.detail.join(' ')).toMatch(/Wind the strands.*pinch.*tape.*shrink/);
  expect(finish({ 'tail-pins': 'wound' })?.caution).not.toContain('iron');
  expect(finish({ 'tail-pins': 'wound' })?.tool).toBe('heat gun');
});

describe('what of the work hangs on which school', () => {
  // Said from the trade before it was worked out.
  const BY_HAND: Readonly<
    Record<string, { readonly hangs: readonly string[]; readonly not: readonly string[] }>
  > = {
    'stage-microphone': {
      hangs: ['solder', 'flux', 'contacts', 'cups', 'trim-order', 'closing', 'solder-order', 'screen-wire'],
      not: ['locating-nub', 'tail-pins'],
    },
    'loudspeaker-two-pole': {
      hangs: ['closing', 'proving'],
      not: [
        'solder',
        'flux',
        'contacts',
        'cups',
        'trim-order',
        'shrink-time',
        'screen-wire',
        'tail-pins',
        'locating-nub',
      ],
    },
    'instrument-lead': { hangs: ['contacts', 'trim-order'], not: ['cups', 'tail-pins', 'locating-nub'] },
    'volume-box': { hangs: ['locating-nub', 'solder', 'flux'], not: ['closing', 'tail-pins', 'trim-order'] },
    'test-tail': { hangs: ['tail-pins', 'cups'], not: ['locating-nub'] },
    'tell-tale': { hangs: ['shrink-time', 'solder'], not: ['closing', 'trim-order', 'screen-wire'] },
    'stereo-microphone-fan-out': { hangs: ['shrink-time'], not: ['tail-pins'] },
  };
  it.each(Object.entries(BY_HAND))('%s', (id, { hangs, not }) => {
    const is = courseHangsOn(leadNamed(id));
    expect(is).toEqual(expect.arrayContaining([...hangs]));
    for (const school of not) expect(is).not.toContain(school);
  });
});

it('every lead has a course by every other answer, with each joint made once', () => {
  const others = [0, 1].map((turn) =>
    resolveSchools(
      Object.fromEntries(
        SCHOOLS.filter(({ decides }) => decides === 'bench').map(({ id, choices, default: usual }) => {
          const rest = choices.filter((choice) => choice.id !== usual);
          return [id, rest[turn % rest.length]?.id];
        }),
      ) as ChosenSchools,
    ),
  );
  for (const example of EXAMPLES)
    for (const schools of others) {
      const lead = leadOf(example);
      const wiring = schoolsOf(lead);
      const mixed = Object.fromEntries(
        SCHOOLS.map(({ id, decides }) => [id, decides === 'bench' ? schools[id] : wiring[id]]),
      ) as ChosenSchools;
      const joints = (steps: ReturnType<typeof sequence>) => steps.flatMap(({ joint }) => joint ?? []).sort();
      expect(joints(course(lead, mixed)), example.id).toEqual(joints(course(lead)));
    }
});

describe('how much of a braid is thinned', () => {
  const thinning = (id: string): readonly string[] =>
    course(leadNamed(id)).flatMap(({ kind, detail }) =>
      kind === 'screen' ? detail.filter((line) => line.includes('strands away')) : [],
    );
  it('nothing where it goes in as it is, and then nothing is said of it', () => {
    expect(thinning('stage-microphone')).toEqual([]);
    expect(said(course(stage), 'screen')).not.toMatch(/third|thin/);
  });

  it('with a link beside it as much as the circle round both leaves: sums by hand', () => {
    // Twisted the braid is 2.1 mm across, a link 0.6, a cup 2.6 with 0.2 of it for solder: 2.6 − 0.2 − 0.6 = 1.8 is left,
    // 1 − (1.8 / 2.1)² = 27 % goes, by eye 30; what is left is 1 / 0.7 = 1.4 times.
    const braid =
      leadNamed('shell-joined').assembly.uses.cables[0]?.conductors.find(({ is }) => is === 'screen')
        ?.copperMm ?? 0;
    const cup = leadNamed('shell-joined').assembly.uses.connectors[0]?.contacts[0]?.boreMm ?? 0;
    const goes = 1 - ((cup - 0.2 - 0.6) / braid) ** 2;
    const share = Math.ceil(goes * 20) / 20;
    expect(share).toBe(0.3);
    const words = `about ${Math.round(share * 100)} % of its strands away: with what shares its contact it would not go in. ${
      Math.round(10 / (1 - share)) / 10
    } times its resistance`;
    expect(thinning('shell-joined')).toEqual([
      expect.stringContaining(words),
      expect.stringContaining(words),
    ]);
  });

  it('alone in a small cup it is said so', () => {
    expect(thinning('control-data')[0]).toContain('its contact does not take it whole');
  });
});
