import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaOfDiameter,
  areaOfOhmsPerKilometre,
  awgArea,
  awgDiameter,
  celsiusToFahrenheit,
  CLASS_5_MAX_OHMS_PER_KM,
  dbuToVolts,
  dbvToVolts,
  diameterOfArea,
  diameterToAwg,
  fahrenheitToCelsius,
  asTyped,
  formatCapacitance,
  formatDecibels,
  formatLength,
  inBoth,
  wordsOf,
  formatResistance,
  formatTemperature,
  mm,
  mm2,
  ohmsPerKilometre,
  parseCapacitance,
  parseLength,
  parseResistance,
  parseTemperature,
  voltsToDbu,
  voltsToDbv,
} from '.';

const length = (text: string, bare: 'm' | 'mm' | 'in' | 'ft' = 'm'): number => {
  const read = parseLength(text, { bare });
  if (!read.ok) throw new Error(read.problems[0]?.code);
  return read.value;
};

describe('length', () => {
  // 1 in = 25.4 mm exactly: international yard and pound agreement (cited, from memory).
  it.each([
    ['6 m', 6000],
    ['6m', 6000],
    ['1.5 m', 1500],
    ['1,5 m', 1500],
    ['600 cm', 6000],
    ['25 mm', 25],
    ['5 ft 7 1/2 in', 67.5 * 25.4],
    [`5' 7½"`, 67.5 * 25.4],
    ['¾ in', 19.05],
    ['3/4 in', 19.05],
    ['1 in', 25.4],
    ['20 feet', 6096],
    ['1 m 20 cm', 1200],
    ['7', 7000],
  ])('reads %s as %f mm', (text, expected) => expect(length(text)).toBeCloseTo(expected, 9));

  it.each([
    ['', 'length.missing'],
    ['-3 m', 'length.negative'],
    ['0 m', 'length.zero'],
    ['six m', 'length.unreadable'],
    ['1,500 mm', 'length.ambiguous'],
    ['3 in 2 ft', 'length.unreadable'],
    ['5 miles', 'length.unreadable'],
    ['1/0 in', 'length.unreadable'],
  ])('refuses %s', (text, code) => expect(() => length(text)).toThrow(code));

  it('names the field it refuses', () => {
    expect(parseLength('wide', { path: 'intent.length' })).toMatchObject({
      problems: [{ path: 'intent.length' }],
    });
  });

  it('comes back from text within the resolution of the text', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500_000, noNaN: true }),
        fc.constantFrom('metric', 'inch'),
        (value, system) => {
          const back = parseLength(formatLength(value, system as 'metric' | 'inch'));
          const step = system === 'inch' ? 25.4 / 32 : value >= 999.95 ? 0.5 : 0.05;
          if (!back.ok) return value < step;
          return Math.abs(back.value - value) <= step + 1e-6;
        },
      ),
    );
  });

  it('writes fractions in lowest terms', () => {
    expect(formatLength(19.05, 'inch')).toBe('3/4 in');
    expect(formatLength(67.5 * 25.4, 'inch')).toBe('5 ft 7 1/2 in');
    expect(formatLength(23.5 * 25.4, 'inch')).toBe('23 1/2 in');
    expect(formatLength(24 * 25.4, 'inch')).toBe('2 ft');
    expect(formatLength(999.9)).toBe('999.9 mm');
    expect(formatLength(999.97)).toBe('1 m');
    expect(formatLength(6000)).toBe('6 m');
    expect(formatLength(22)).toBe('22 mm');
  });

  it('is said as it was typed, the other system beside it, and not in words that it has outgrown', () => {
    expect(asTyped({ mm: 5791.2, said: '19 ft' })).toBe('19 ft');
    expect(inBoth({ mm: 5791.2, said: '19 ft' })).toBe('19 ft (5.791 m)');
    expect(inBoth({ mm: 1500, said: '150 cm' }, 'inch')).toBe('150 cm (4 ft 11 1/16 in)');
    expect(inBoth({ mm: 6000 })).toBe('6 m (19 ft 8 1/4 in)');
    expect(inBoth({ mm: 6096 }, 'inch')).toBe('20 ft (6.096 m)');
    expect(asTyped({ mm: 5000, said: '19 ft' })).toBe('5 m');
    expect(asTyped({ mm: 5000, said: 'five' })).toBe('5 m');
    expect(wordsOf('150 cm')).toBe('150 cm');
    expect(wordsOf('1.50 m')).toBe('1.50 m');
    expect(wordsOf('19', 'inch')).toBeUndefined();
    expect(wordsOf('6 m')).toBeUndefined();
    expect(wordsOf('long')).toBeUndefined();
    // Forty letters are kept with the length, and no more.
    expect(wordsOf(`6.${'0'.repeat(36)} m`)).toHaveLength(40);
    expect(wordsOf(`6.${'0'.repeat(37)} m`)).toBeUndefined();
  });
});

describe('resistance', () => {
  it.each([
    ['470', 470],
    ['0.3 Ω', 0.3],
    ['20 kΩ', 20e3],
    ['4k7', 4700],
    ['470R', 470],
    ['1.2M', 1.2e6],
    ['85 m', 0.085],
    ['OL', Infinity],
    ['open', Infinity],
  ])('reads %s', (text, value) => {
    const read = parseResistance(text);
    expect(read.ok && read.value).toBeCloseTo(value, 9);
  });

  it.each(['', 'beep', '4k7k', '--', '1..2'])('refuses %s', (text) =>
    expect(parseResistance(text).ok).toBe(false),
  );

  it.each([
    [0, '0 Ω'],
    [0.0994, '99.4 mΩ'],
    [0.1, '0.1 Ω'],
    [999.4, '999 Ω'],
    [999.5, '1 kΩ'],
    [1000, '1 kΩ'],
    [999_400, '999 kΩ'],
    [999_500, '1 MΩ'],
    [20_000_000, '20 MΩ'],
    [-4700, '-4.7 kΩ'],
    [Infinity, 'open'],
  ] as const)(
    'a resistance of %s Ω is said as %s: three figures, and never 1000 of a smaller unit',
    (value, says) => expect(formatResistance(value)).toBe(says),
  );

  it('a temperature is in degrees Celsius unless it says Fahrenheit', () => {
    const read = (text: string): number => {
      const is = parseTemperature(text);
      return is.ok ? is.value : Number.NaN;
    };
    expect(read('20')).toBe(20);
    expect(read('20 °C')).toBe(20);
    expect(read('20 c')).toBe(20);
    expect(read('68 °F')).toBeCloseTo(20, 9);
    expect(read('68f')).toBeCloseTo(20, 9);
  });

  it('a number is read with the fractions that people type', () => {
    const all = {
      '½': 1 / 2,
      '⅓': 1 / 3,
      '⅔': 2 / 3,
      '¼': 1 / 4,
      '¾': 3 / 4,
      '⅛': 1 / 8,
      '⅜': 3 / 8,
      '⅝': 5 / 8,
      '⅞': 7 / 8,
    };
    for (const [glyph, part] of Object.entries(all)) {
      expect(length(`${glyph} in`), glyph).toBeCloseTo(25.4 * part, 9);
      expect(length(`3${glyph} in`), glyph).toBeCloseTo(25.4 * (3 + part), 9);
      expect(length(`3 ${glyph} in`), glyph).toBeCloseTo(25.4 * (3 + part), 9);
    }
    expect(length('7 3/8 in')).toBeCloseTo(25.4 * 7.375, 9);
  });

  it('comes back from text within three figures', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 9e7, noNaN: true }), (value) => {
        const back = parseResistance(formatResistance(value));
        return back.ok && Math.abs(back.value - value) <= value * 0.0051;
      }),
    );
  });
});

describe('capacitance', () => {
  it.each([
    ['220 pF', 220e-12],
    ['470n', 470e-9],
    ['4,7 nF', 4.7e-9],
    ['10 µF', 10e-6],
    ['10 μF', 10e-6],
    ['10u', 10e-6],
    ['2.2', 2.2e-6],
    ['.5 uF', 0.5e-6],
    ['1 mF', 1e-3],
  ])('%s is read', (text, farads) => {
    const read = parseCapacitance(text);
    expect(read.ok && read.value / farads).toBeCloseTo(1, 12);
  });

  it.each(['', 'lots', '10 kF', '-1 µF', '1..2 nF'])('“%s” is refused at its field', (text) => {
    const read = parseCapacitance(text, 'value');
    expect(read.ok ? [] : read.problems.map(({ code, path }) => [code, path])).toEqual([
      ['capacitance.unreadable', 'value'],
    ]);
  });

  it.each([
    [999.4e-12, '999 pF'],
    [999.6e-12, '1 nF'],
    [999.4e-9, '999 nF'],
    [999.6e-9, '1 µF'],
    [4.7e-9, '4.7 nF'],
  ])('%d F is said %s', (farads, says) => expect(formatCapacitance(farads)).toBe(says));
});

describe('conductors', () => {
  // Source: ASTM B258 diameters with IACS resistivity (IEC 60028), as tabled in the handbook, section 4.
  it.each([
    [14, 1.628, 2.081, 8.285],
    [18, undefined, 0.823, 20.95],
    [22, undefined, 0.3255, 52.96],
    [24, undefined, 0.2047, 84.21],
    [26, undefined, 0.1288, 133.9],
  ])('%i AWG', (gauge, diameter, area, perKm) => {
    if (diameter !== undefined) expect(awgDiameter(gauge)).toBeCloseTo(diameter, 3);
    expect(Math.abs(awgArea(gauge) / area - 1)).toBeLessThan(5e-4);
    expect(Math.abs(ohmsPerKilometre(awgArea(gauge)) / perKm - 1)).toBeLessThan(5e-4);
  });

  it('defines 36 AWG as 5 mil and 4/0 as 460 mil (ASTM B258)', () => {
    expect(awgDiameter(36)).toBeCloseTo(0.127, 9);
    expect(awgDiameter(-3)).toBeCloseTo(0.46 * 25.4, 9);
  });

  it('class 5 limits are above solid copper of the same area (IEC 60228)', () => {
    for (const [area, limit] of Object.entries(CLASS_5_MAX_OHMS_PER_KM)) {
      const solid = ohmsPerKilometre(mm2(Number(area)));
      expect(limit).toBeGreaterThan(solid);
      expect(limit).toBeLessThan(solid * 1.2);
    }
  });

  it('goes from gauge to mm to mm² to Ω/km and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 40, noNaN: true }), (gauge) => {
        const area = areaOfOhmsPerKilometre(ohmsPerKilometre(areaOfDiameter(awgDiameter(gauge))));
        return Math.abs(diameterToAwg(diameterOfArea(area)) - gauge) < 1e-9;
      }),
    );
  });

  it('copper rises 0.393 % a kelvin (IEC 60028)', () => {
    expect(ohmsPerKilometre(mm2(1), 45) / ohmsPerKilometre(mm2(1))).toBeCloseTo(1.09825, 9);
    expect(diameterToAwg(mm(0.127))).toBeCloseTo(36, 9);
  });
});

describe('level and temperature', () => {
  it('a level in words has its sign, and nothing has none', () =>
    expect([
      formatDecibels(0.5),
      formatDecibels(0),
      formatDecibels(-0.5, 'u'),
      formatDecibels(4, 'u'),
    ]).toEqual(['+0.5 dB', '0.0 dB', '−0.5 dBu', '+4.0 dBu']));

  it('+4 dBu is 1.228 V and 11.78 dB over −10 dBV (handbook, section 11)', () => {
    expect(dbuToVolts(4)).toBeCloseTo(1.228, 3);
    expect(4 - voltsToDbu(dbvToVolts(-10))).toBeCloseTo(11.78, 2);
    expect(voltsToDbv(dbvToVolts(-10))).toBeCloseTo(-10, 9);
  });

  it('650 °F is 343 °C (handbook, section 9)', () => {
    expect(Math.round(fahrenheitToCelsius(650))).toBe(343);
    expect(celsiusToFahrenheit(100)).toBe(212);
    expect(parseTemperature('650 F')).toMatchObject({ ok: true });
    expect(parseTemperature('hot').ok).toBe(false);
    expect(parseTemperature('-300 C').ok).toBe(false);
    expect(formatTemperature(343.3)).toBe('343.3 °C');
    // 343.3 °C are 649.94 °F: nobody sets an iron by tenths of those.
    expect(formatTemperature(343.3, 'F')).toBe('650 °F');
    expect(formatTemperature(343.6, 'F')).toBe('650 °F');
  });
});
