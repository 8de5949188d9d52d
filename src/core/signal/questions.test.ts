import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { operatingPoint, sweep } from '../circuit';
import { E24, nearestE24 } from '../quantity';
import {
  ask,
  padValues,
  QUESTIONS,
  readNumber,
  typeNumber,
  skinDepth,
  sumLoss,
  sumNetwork,
  truthTable,
  type Answer,
} from '.';

const question = (id: string) => QUESTIONS.find((each) => each.id === id) ?? expect.fail(`no question ${id}`);
function answer(id: string, typed: Readonly<Record<string, string>> = {}): Answer {
  const asked = ask(question(id), typed);
  if (!asked.ok) expect.fail(JSON.stringify(asked.problems));
  return asked.value;
}
const figure = (id: string, name: string, typed: Readonly<Record<string, string>> = {}): number =>
  answer(id, typed).figures.find((each) => each.kind === name)?.value ?? expect.fail(`no figure ${name}`);

describe('every question', () => {
  it.each(QUESTIONS.map((each) => [each.id, each] as const))(
    '%s: its sentence asks for each slot once, and it has an answer',
    (_, each) => {
      const asked = [...each.sentence.matchAll(/\{(\w+)\}/g)].map((match) => match[1]);
      expect([...asked].sort()).toEqual(each.slots.map((slot) => slot.id).sort());
      const made = ask(each, {});
      if (!made.ok) expect.fail(JSON.stringify(made.problems));
      const { figures, says, circuit, chart } = made.value;
      expect(says).toMatch(/\.$/);
      for (const { value, formula, source, says: words } of figures) {
        expect(Number.isNaN(value)).toBe(false);
        expect(`${formula}${source}${words}`).not.toMatch(/NaN|undefined|[Hh]andbook/);
        expect(formula).not.toBe('');
        expect(source).not.toBe('');
      }
      expect(operatingPoint(circuit).ok && sweep(circuit, [50, 1000]).ok).toBe(true);
      for (const { points } of chart?.series ?? [])
        for (const [x, y] of points) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
    },
  );

  it.each(QUESTIONS.map((each) => [each.id, each] as const))(
    '%s: at the ends of every slot it still has one, and no number that is none',
    (_, each) => {
      for (const slot of each.slots)
        for (const text of slot.kind === 'choice'
          ? Object.keys(slot.options)
          : [`${slot.min}`, `${slot.max}`]) {
          const made = ask(each, { [slot.id]: text });
          if (!made.ok) expect.fail(JSON.stringify(made.problems));
          expect(made.value.says, `${slot.id} ${text}`).not.toMatch(/NaN|undefined/);
          for (const { value } of made.value.figures)
            expect(Number.isNaN(value), `${slot.id} ${text}`).toBe(false);
        }
    },
  );

  it('a bad value is told with its slot and what it may be, all at once', () => {
    const made = ask(question('level'), { load: 'lots', source: '-3', other: '1' });
    expect(made.ok ? [] : made.problems.map(({ code, path }) => [code, path])).toEqual([
      ['sum.range', 'source'],
      ['sum.number', 'load'],
      ['sum.slot', 'other'],
    ]);
    const choice = ask(question('phantom'), { supply: 'P96' });
    expect(choice.ok ? [] : choice.problems[0]?.says).toBe('Supply: choose P48 or P24 or P12.');
  });

  it('what is typed of itself is read back as it was', () => {
    for (const each of QUESTIONS)
      for (const slot of each.slots)
        if (slot.kind === 'number')
          expect(readNumber(typeNumber(slot.usual), slot.unit)).toBeCloseTo(slot.usual, 9);
  });

  it.each([
    ['4.7k', 'Ω', 4700],
    ['4,7 kΩ', 'Ω', 4700],
    ['−20', 'dBu', -20],
    ['600 Ω', 'Ω', 600],
    ['1e3', 'Ω', 1000],
    ['2M', 'Ω', 2e6],
    ['100 pF/m', 'pF/m', 100],
    ['3 m', 'm', 3],
    ['', 'Ω', undefined],
    ['many', 'Ω', undefined],
  ])('reads “%s” %s as %s', (text, unit, expected) => expect(readNumber(text, unit)).toBe(expected));
});

// The figures are the handbook's check values and the published ones beside each.
describe('against the world', () => {
  it('+4 dBu is 1.228 V, and 11.78 dB over −10 dBV (0 dBu = √0.6 V; handbook section 11)', () => {
    expect(figure('level', 'level', { source: '0', load: '1e9' })).toBeCloseTo(1.228, 3);
    expect(
      20 * Math.log10(figure('level', 'level', { source: '0', load: '1e9' }) / 10 ** (-10 / 20)),
    ).toBeCloseTo(11.78, 2);
  });

  it('f₋₃: 100 Ω with 10 nF is 159 kHz, 10 kΩ with 500 pF 31.8 kHz (handbook section 11)', () => {
    expect(
      figure('bandwidth', 'minus3', { source: '100', load: '1e9', length: '100', capacitance: '100' }) / 1000,
    ).toBeCloseTo(159.15, 1);
    expect(
      figure('bandwidth', 'minus3', { source: '10k', load: '1e9', length: '5', capacitance: '100' }) / 1000,
    ).toBeCloseTo(31.83, 2);
  });

  it('the longest lead loses just what is asked at 20 kHz', () => {
    const longest = figure('bandwidth', 'longest', { source: '10k', load: '1M', loss: '2' });
    expect(figure('bandwidth', 'lost', { source: '10k', load: '1M', length: `${longest}` })).toBeCloseTo(
      2,
      4,
    );
  });

  it('a pickup rings at 1 ÷ 2π√(LC) (textbook), and lower with a longer lead', () => {
    expect(
      figure('pickup', 'resonance', { henries: '3', own: '100', length: '5', capacitance: '100' }),
    ).toBeCloseTo(1 / (2 * Math.PI * Math.sqrt(3 * 600e-12)), 6);
    expect(figure('pickup', 'peak', { length: '12' })).toBeLessThan(
      figure('pickup', 'peak', { length: '3' }),
    );
  });

  it('0.2 Ω in common with 32 Ω headphones is −44 dB (handbook section 11)', () =>
    expect(figure('common-return', 'separation')).toBeCloseTo(44.1, 0));

  it('10 Ω of imbalance against 10 kΩ legs is 60 dB of rejection (handbook section 11)', () =>
    expect(figure('hum', 'rejection', { earth: '0.0001' })).toBeCloseTo(60, 0));

  it('more than 50 V r.m.s. on a loudspeaker lead is said, with what to do: 312.5 W into 8 Ω are 50 V', () => {
    const warned = (power: string, more: Readonly<Record<string, string>> = {}): boolean =>
      (answer('loudspeaker', { power, ...more }).notes ?? []).some((note) =>
        note.includes('switch off before you touch its contacts'),
      );
    expect([warned('312'), warned('313'), warned('2000'), warned('20')]).toEqual([false, true, true, false]);
    // By the load too: 50 V are 625 W into 4 Ω.
    expect([warned('624', { load: '4' }), warned('626', { load: '4' })]).toEqual([false, true]);
  });

  it('hum is in proportion to the ground difference, and so many decibels under the signal as that is over it', () => {
    const volts = figure('hum', 'hum0', { ground: '100' });
    expect(figure('hum', 'hum0', { ground: '50' })).toBeCloseTo(volts / 2, 9);
    // 100 mV through 0.1 Ω of earth and 0.25 Ω of screen; the input of 10 kΩ sees what falls along the screen, less its share of
    // a source of 100 Ω and a core of 0.84.
    const falls = ((0.1 * 0.25) / 0.35) * (10_000 / 10_100.84);
    expect(volts).toBeCloseTo(falls, 5);
    const said = (level: string): string =>
      answer('hum', { ground: '100', level }).figures.find(({ kind }) => kind === 'hum0')?.says ?? '';
    const under = (level: number): number => level + 20 * Math.log10(Math.sqrt(0.6) / falls);
    for (const level of [4, -10]) expect(said(`${level}`)).toContain(`${under(level).toFixed(1)} dB under`);
  });
  it('an unbalanced screen makes I·R of hum, and a thin core about 10 dB more (handbook section 5, row 4)', () => {
    // 24 AWG of 84 mΩ/m beside a braid of about 25, earth well above both.
    expect(figure('hum', 'quasi', { screen: '0.025', core: '0.084', earth: '100' })).toBeCloseTo(
      20 * Math.log10(84 / 25),
      1,
    );
    const [earth, screen] = [0.1, 0.25];
    expect(figure('hum', 'hum0', { ground: '100' })).toBeCloseTo(
      ((0.1 * screen) / (earth + screen)) * (10_000 / (10_000 + 100 + 0.84)),
      5,
    );
  });

  it('P48 into a leg tied to 1: 7.05 mA; a microphone of 3 mA has 37.8 V (IEC 61938, cited, from memory)', () => {
    expect(1000 * figure('phantom', 'short')).toBeCloseTo(7.05, 2);
    expect(figure('phantom', 'reached', { loop: '0' })).toBeCloseTo(48 - 0.0015 * (6810 + 10), 2);
    expect(figure('phantom', 'reached', { fault: 'screen-open' })).toBe(0);
    expect(answer('phantom', { fault: 'cold-shorted' }).weight).not.toBe('good');
    expect(answer('phantom', { current: '15' }).weight).toBe('stop');
    // Legs alike have nothing between them. With the cold one open the hot one carries all, and holds the other through the microphone.
    expect(figure('phantom', 'between')).toBeCloseTo(0, 9);
    expect(figure('phantom', 'between', { fault: 'cold-open' })).toBeCloseTo(0.003 * 10, 3);
    expect(answer('phantom', {}).says).toMatch(/^37\.8 V reach the microphone, and the supply gives 3 mA\.$/);
    expect(answer('phantom', { fault: 'screen-open' }).says).toBe(
      'No phantom: the screen is its way back, and it is open.',
    );
    expect(answer('phantom', { fault: 'cold-shorted' }).says).toMatch(/^No phantom: a leg joined to 1 holds/);
    expect(answer('phantom', { current: '15' }).says).toMatch(
      /^No microphone runs from this: it wants 15 mA/,
    );
  });

  it.each([
    ['P48', '4.7k', 4.0],
    ['P48', '10k', 2.74],
    ['P24', '4.7k', 3.73],
    ['P12', '4.7k', 1.86],
  ])('tell-tale on %s with %s: %s mA a leg (handbook section 12; IEC 61938)', (supply, resistor, expected) =>
    expect(1000 * figure('tell-tale', 'lamp', { supply, resistor })).toBeCloseTo(expected, 1),
  );

  it('with no resistor a lamp gets 6.75 mA and the supply is over its limit (handbook section 12)', () => {
    expect(1000 * figure('tell-tale', 'lamp', { resistor: '1' })).toBeCloseTo(6.75, 1);
    expect(answer('tell-tale', { resistor: '1' }).says).toContain('over the supply’s 10 mA');
  });

  it('the tell-tale’s truth table by solving, lamps alone, is the handbook’s, section 12', () => {
    for (const supply of ['P48', 'P24', 'P12'] as const) {
      const shows = new Map(
        truthTable(supply, 4700, 2, false).map(({ line, lamps }) => [
          line.id,
          lamps.map((amps) => amps > 0.0002),
        ]),
      );
      expect(Object.fromEntries(shows)).toEqual({
        good: [true, true],
        off: [false, false],
        // One lit: the other leg is open, or shorted to 1.
        open2: [false, true],
        open3: [true, false],
        short12: [false, true],
        short13: [true, false],
        // None: 1 open, both legs open or shorted to 1, 1 transposed with 2 or 3.
        open1: [false, false],
        open23: [false, false],
        short123: [false, false],
        swap12: [false, false],
        swap13: [false, false],
        // It cannot see these.
        short23: [true, true],
        swap23: [true, true],
      });
    }
  });

  it('guard diodes pass current the other way: a transposed 1 then lights the lamp of the leg that is right', () => {
    const rows = (guard: boolean): Record<string, boolean[]> =>
      Object.fromEntries(
        truthTable('P48', 4700, 2, guard).map(({ line, lamps }) => [
          line.id,
          lamps.map((amps) => amps > 0.0002),
        ]),
      );
    // 1 and 2 swapped: leg 2 stands on contact 1, and sinks through its guard diode and resistor into contact 2, which is ground.
    expect(rows(true)['swap12']).toEqual([false, true]);
    expect(rows(true)['swap13']).toEqual([true, false]);
    const { swap12: _a, swap13: _b, ...guarded } = rows(true);
    const { swap12: _c, swap13: _d, ...bare } = rows(false);
    expect(guarded).toEqual(bare);
    expect(answer('tell-tale').notes.join(' ')).toContain('transposed');
    expect(answer('tell-tale', { guard: 'no' }).notes.join(' ')).not.toContain('transposed');
  });

  it('without guard diodes a transposed 1 puts tens of volts on a lamp the wrong way round; with them under 1 V', () => {
    expect(figure('tell-tale', 'reverse', { guard: 'no' })).toBeGreaterThan(20);
    expect(figure('tell-tale', 'reverse', { guard: 'yes' })).toBeLessThan(1);
  });

  it.each([
    [0, 1e12, -6.12],
    [0, 10_000, -6.32],
    [1000, 10_000, -6.93],
  ])(
    '470, 470, 20 kΩ from %s Ω into %s Ω: %s dB a channel (handbook section 5)',
    (source, load, expected) => {
      const network = sumNetwork([source, source], 470, 20_000, load);
      // The last of the three is re what the same source gives the load by itself.
      const alone = source === 0 ? 0 : 20 * Math.log10(load / (load + source));
      const loss = sumLoss(network) - alone;
      if (source === 0) expect(loss).toBeCloseTo(expected, 2);
      else expect(sumLoss(network)).toBeCloseTo(expected, 1);
    },
  );

  it('the designer comes to 470 and 20 kΩ of itself for two outputs of 2 V that may take 4.5 mA, 232 Ω out', () => {
    expect(figure('sum', 'each')).toBe(470);
    expect(figure('sum', 'ground')).toBe(20_000);
    expect(figure('sum', 'output', { left: '0', right: '0', clash: '4.26' })).toBeCloseTo(232, 0);
    expect(figure('sum', 'clash')).toBeLessThan(0.0045);
  });

  it('two outputs of 50 Ω at ±1 V: 20 mA (handbook section 5)', () => {
    expect(figure('clash', 'current')).toBeCloseTo(0.02, 6);
    expect(answer('clash').weight).toBe('stop');
    expect(answer('clash', { through: 'sum' }).weight).not.toBe('stop');
  });

  it('pads: matched values for 600 Ω and 20 dB are the textbook’s: T 490.9, 121.2; π 2970, 733.3 Ω', () => {
    expect(padValues('matched-t', 20, 600).series[0]).toBeCloseTo(490.9, 1);
    expect(padValues('matched-t', 20, 600).shunts[0]).toBeCloseTo(121.2, 1);
    expect(padValues('matched-pi', 20, 600).series[0]).toBeCloseTo(2970, 0);
    expect(padValues('matched-pi', 20, 600).shunts[0]).toBeCloseTo(733.3, 1);
  });

  it('every pad is within 1 dB of what is asked, fitted from E24, and a matched one sees about 600 Ω', () => {
    for (const design of ['bridging', 'matched-t', 'matched-pi'])
      for (const balanced of ['yes', 'no'])
        for (const loss of ['6', '10', '20', '30', '40']) {
          const typed = { design, balanced, loss, source: '0' };
          expect(Math.abs(figure('pad', 'error', typed)), JSON.stringify(typed)).toBeLessThan(1);
          if (design !== 'bridging')
            expect(Math.abs(figure('pad', 'input', typed) / 600 - 1), JSON.stringify(typed)).toBeLessThan(
              0.08,
            );
          for (const { kind, value } of answer('pad', typed).figures.filter((each) => /^r\d/.test(each.kind)))
            expect(nearestE24(value), kind).toBe(value);
        }
  });

  it('10 m of 14 AWG: loop 0.1657 Ω; into 8 Ω −0.178 dB and at most 48; into 4 Ω −0.353 dB (handbook section 11; ASTM B258)', () => {
    expect(figure('loudspeaker', 'loop')).toBeCloseTo(0.1657, 4);
    expect(figure('loudspeaker', 'loss')).toBeCloseTo(0.178, 3);
    expect(figure('loudspeaker', 'damping')).toBeCloseTo(48.3, 1);
    expect(figure('loudspeaker', 'loss', { load: '4' })).toBeCloseTo(0.353, 3);
  });

  it('a loop of 5 % of the load is −0.42 dB: 8 Ω on 14 AWG may be 24 m (handbook section 5, row 15)', () =>
    expect(figure('loudspeaker', 'longest', { limit: `${20 * Math.log10(1.05)}` })).toBeCloseTo(24.1, 1));

  it('a loudspeaker line has its voltage, and its load by its power: 200 W at 100 V are 50 Ω, at 70.7 V 25 Ω', () => {
    const loss = (amplifier: string, load: string): number =>
      figure('loudspeaker', 'loss', { amplifier, load });
    expect(loss('line100', '8')).toBeCloseTo(loss('single', '50'), 6);
    expect(loss('line70', '8') / loss('single', '25')).toBeCloseTo(1, 2);
    expect(figure('loudspeaker', 'volts', { amplifier: 'line100' })).toBe(100);
    expect(figure('loudspeaker', 'half', { amplifier: 'bridged', load: '8' })).toBe(4);
    expect(answer('loudspeaker', { amplifier: 'line70' }).notes.join(' ')).toContain('licensed people');
  });

  it('every conductor with its longest run into 2, 4, 8 and 16 Ω, each twice the one before', () => {
    const { table } = answer('loudspeaker', { limit: `${20 * Math.log10(1.05)}` });
    const metres = (table?.rows.find(([name]) => name === '14 AWG') ?? []).slice(3).map(Number.parseFloat);
    expect(metres).toHaveLength(4);
    expect(metres[2]).toBeCloseTo(24.1, 1);
    for (const n of [1, 2, 3]) expect((metres[n] ?? 0) / (metres[n - 1] ?? 1)).toBeCloseTo(2, 1);
  });

  it('skin depth in copper at 20 kHz is 0.467 mm (handbook section 11)', () =>
    expect(1000 * skinDepth(20_000)).toBeCloseTo(0.467, 3));

  it('a volume control loses least turned up, more the more it is turned down, at every taper and value', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('linear', 'logarithmic'),
        fc.constantFrom('50', '100', '1k', '10k'),
        (taper, track) => {
          const { chart } = answer('volume', { taper, track });
          for (const { points } of chart?.series ?? [])
            points.slice(1).forEach(([, y], n) => expect(y).toBeGreaterThan(points[n]?.[1] ?? 0));
        },
      ),
      { numRuns: 8 },
    );
    expect(figure('volume', 'suits')).toBe(100);
  });

  it('200 Ω makes 0.255 µV over the audio band at 20 °C: −129.7 dBu (√(4kTRB))', () => {
    expect(1e6 * figure('noise', 'alone')).toBeCloseTo(
      1e6 * Math.sqrt(4 * 1.380649e-23 * 293.15 * 200 * 19_980),
      3,
    );
    expect(figure('noise', 'worse', { series: '0', shunt: '1e9' })).toBeCloseTo(0, 3);
    // Five times the resistance in series: six times the noise power.
    expect(figure('noise', 'worse', { series: '1000', shunt: '1e9' })).toBeCloseTo(10 * Math.log10(6), 2);
  });

  it('E24 has 24 values a decade (IEC 60063)', () => expect(new Set(E24).size).toBe(24));
});
